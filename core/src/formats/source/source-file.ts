import { readable, shortened } from '../../fingering/human-text.ts';
import { failure, type Result } from '../../music/result.ts';
import type { ImportProblem, ImportProblemValues } from '../import-problem.ts';
import { scoreInArchive, type ArchiveProblem } from './archive.ts';
import { decodeText, type EncodingProblem } from './text-encoding.ts';

const MEGABYTE = 1024 * 1024;
/** Largest score text that is read, in bytes: a symphony part is below 10 MB. */
export const MAX_SOURCE_BYTES = 32 * MEGABYTE;
/** Largest archive that is unpacked, in bytes. */
export const MAX_PACKED_BYTES = 8 * MEGABYTE;

const tooLarge = (
  what: ImportProblemValues['too-large']['what'],
  limit: number,
): Result<never, ImportProblem> => failure({ code: 'too-large', values: { what, most: limit / MEGABYTE } });

const archiveProblem = (kind: ArchiveProblem): Result<never, ImportProblem> => {
  if (kind === 'too-large') return tooLarge('unpacked', MAX_SOURCE_BYTES);
  return failure({ code: kind === 'damaged' ? 'damaged-archive' : 'no-score-in-archive', values: {} });
};

const LONGEST_NAME = 40;

const encodingProblem = (found: EncodingProblem): Result<never, ImportProblem> =>
  failure({
    code: 'undecodable',
    values:
      found.kind === 'unknown-encoding'
        ? { encoding: shortened(readable(found.encoding), LONGEST_NAME), isKnown: false, line: undefined }
        : { encoding: found.encoding.toUpperCase(), isKnown: true, line: found.line },
  });

export const isArchive = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/**
 * The XML text of a score file, plain or compressed, as bytes from a disk or a drop, in any encoding that it declares
 * and the platform knows. What cannot be decoded is refused rather than filled with signs for the unreadable.
 */
export const readSourceFile = (bytes: Uint8Array): Result<string, ImportProblem> => {
  if (bytes.length === 0) return failure({ code: 'empty', values: {} });
  let score = bytes;
  if (isArchive(bytes)) {
    if (bytes.length > MAX_PACKED_BYTES) return tooLarge('archive', MAX_PACKED_BYTES);
    const unpacked = scoreInArchive(bytes, MAX_SOURCE_BYTES);
    if (!unpacked.ok) return archiveProblem(unpacked.error);
    score = unpacked.value;
  }
  if (score.length > MAX_SOURCE_BYTES) return tooLarge('file', MAX_SOURCE_BYTES);
  const text = decodeText(score);
  return text.ok ? text : encodingProblem(text.error);
};
