import { strFromU8, unzipSync } from 'fflate';
import { failure, success, type Result } from '../music/result.ts';
import { parseXml, descend } from './xml/tree.ts';
import type { ImportProblem } from './import-problem.ts';

/** Largest score text that is read, in bytes: a symphony part is below 10 MB. */
export const MAX_SOURCE_BYTES = 24 * 1024 * 1024;

const problem = (code: ImportProblem['code'], message: string): Result<never, ImportProblem> =>
  failure({ code, message });

/** Decodes XML text: byte-order marks, then the declared encoding, else UTF-8 (XML 1.0, appendix F). */
const decodeText = (bytes: Uint8Array): string => {
  const [a, b, c] = bytes;
  const utf16 = (littleEndian: boolean, from: number): string => {
    const parts: string[] = [];
    for (let at = from; at + 1 < bytes.length; at += 8192) {
      const units: number[] = [];
      for (let unit = at; unit + 1 < Math.min(at + 8192, bytes.length); unit += 2)
        units.push(
          littleEndian ? bytes[unit]! | (bytes[unit + 1]! << 8) : (bytes[unit]! << 8) | bytes[unit + 1]!,
        );
      parts.push(String.fromCharCode(...units));
    }
    return parts.join('');
  };
  if (a === 0xff && b === 0xfe) return utf16(true, 2);
  if (a === 0xfe && b === 0xff) return utf16(false, 2);
  if (a === 0x3c && b === 0) return utf16(true, 0);
  if (a === 0 && b === 0x3c) return utf16(false, 0);
  if (a === 0xef && b === 0xbb && c === 0xbf) return strFromU8(bytes.subarray(3));
  const head = strFromU8(bytes.subarray(0, 200), true);
  const latin = /encoding=["'](iso-8859-1|windows-1252|us-ascii|latin-?1)["']/i.test(head);
  return strFromU8(bytes, latin);
};

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** The score inside a compressed MusicXML archive: the first rootfile of its container (MusicXML 4.0, `container.xsd`). */
const unpack = (bytes: Uint8Array): Result<Uint8Array, ImportProblem> => {
  const CONTAINER = 'META-INF/container.xml';
  let tooLarge = false;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        const wanted = name === CONTAINER || /\.(musicxml|xml)$/i.test(name);
        if (wanted && originalSize > MAX_SOURCE_BYTES) tooLarge = true;
        return wanted && originalSize <= MAX_SOURCE_BYTES;
      },
    });
  } catch {
    return problem(
      'damaged-archive',
      'The file is a damaged archive. Save it again as MusicXML in your notation program.',
    );
  }
  if (tooLarge) return problem('too-large', tooLargeMessage('The score in this archive'));
  const container = files[CONTAINER] && parseXml(decodeText(files[CONTAINER]));
  const rootfile = container?.ok ? descend(container.value, 'rootfiles', 'rootfile') : undefined;
  const named = rootfile?.attributes['full-path'];
  const name =
    named ??
    Object.keys(files).find((file) => !file.startsWith('META-INF/') && !file.startsWith('__MACOSX/'));
  const score = name === undefined ? undefined : files[name];
  return score
    ? success(score)
    : problem(
        'no-score-in-archive',
        'This archive holds no score. Choose a .musicxml, .xml or .mxl file that your notation program exported.',
      );
};

const tooLargeMessage = (what: string): string =>
  `${what} is larger than ${MAX_SOURCE_BYTES / 1024 / 1024} MB, more than any guitar piece needs. Export the guitar part alone.`;

/**
 * The XML text of a score file, plain or compressed, as bytes from a disk or a drop. Reads UTF-8, UTF-16 and
 * Latin-1. Nothing is parsed yet beyond an archive's table of contents.
 */
export const readSourceFile = (bytes: Uint8Array): Result<string, ImportProblem> => {
  if (bytes.length === 0)
    return problem('empty', 'The file is empty. Export the piece again from your notation program.');
  if (bytes.length > MAX_SOURCE_BYTES) return problem('too-large', tooLargeMessage('The file'));
  if (!isZip(bytes)) return success(decodeText(bytes));
  const unpacked = unpack(bytes);
  return unpacked.ok ? success(decodeText(unpacked.value)) : unpacked;
};
