import { readable, shortened } from '../../fingering/human-text.ts';
import { failure, type Result } from '../../music/result.ts';
import type { ImportProblem } from '../import-problem.ts';
import { scoreInArchive, type ArchiveProblem } from './archive.ts';
import { decodeText, type EncodingProblem } from './text-encoding.ts';

const MEGABYTE = 1024 * 1024;
/** Largest score text that is read, in bytes: a symphony part is below 10 MB. */
export const MAX_SOURCE_BYTES = 32 * MEGABYTE;
/** Largest archive that is unpacked, in bytes. */
export const MAX_PACKED_BYTES = 8 * MEGABYTE;

const problem = (code: ImportProblem['code'], message: string): Result<never, ImportProblem> =>
  failure({ code, message });

const tooLarge = (what: string, limit: number): Result<never, ImportProblem> =>
  problem(
    'too-large',
    `${what} is larger than ${limit / MEGABYTE} MB, more than any guitar piece needs. Export the guitar part alone.`,
  );

const archiveProblem = (kind: ArchiveProblem): Result<never, ImportProblem> => {
  if (kind === 'too-large') return tooLarge('What is packed in this archive', MAX_SOURCE_BYTES);
  return kind === 'damaged'
    ? problem(
        'damaged-archive',
        'The file is a damaged archive. Save it again as MusicXML in your notation program.',
      )
    : problem(
        'no-score-in-archive',
        'This archive holds no score. Choose a .musicxml, .xml or .mxl file that your notation program exported.',
      );
};

const encodingProblem = (found: EncodingProblem): Result<never, ImportProblem> =>
  problem(
    'undecodable',
    found.kind === 'unknown-encoding'
      ? `The file says that its text is written as “${shortened(readable(found.encoding), 40)}”, which is not known here. Export the piece again as MusicXML in UTF-8.`
      : `The text of the file is not ${found.encoding.toUpperCase()}, as it should be${found.line === undefined ? '' : ` (line ${found.line})`}. Export the piece again as MusicXML in UTF-8, or correct what its first line says of the encoding.`,
  );

export const isArchive = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/**
 * The XML text of a score file, plain or compressed, as bytes from a disk or a drop, in any encoding that it declares
 * and the platform knows. What cannot be decoded is refused rather than filled with signs for the unreadable.
 */
export const readSourceFile = (bytes: Uint8Array): Result<string, ImportProblem> => {
  if (bytes.length === 0)
    return problem('empty', 'The file is empty. Export the piece again from your notation program.');
  let score = bytes;
  if (isArchive(bytes)) {
    if (bytes.length > MAX_PACKED_BYTES) return tooLarge('The archive', MAX_PACKED_BYTES);
    const unpacked = scoreInArchive(bytes, MAX_SOURCE_BYTES);
    if (!unpacked.ok) return archiveProblem(unpacked.error);
    score = unpacked.value;
  }
  if (score.length > MAX_SOURCE_BYTES) return tooLarge('The file', MAX_SOURCE_BYTES);
  const text = decodeText(score);
  return text.ok ? text : encodingProblem(text.error);
};
