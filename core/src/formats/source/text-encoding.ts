import { failure, success, type Result } from '../../music/result.ts';

/** The platform's decoder; the language itself has none. */
declare const TextDecoder: new (
  label: string,
  options: { readonly fatal: boolean },
) => { decode(bytes: Uint8Array): string };

/** Why bytes are no text: the encoding is not known, or a line does not keep to it. */
export type EncodingProblem =
  | { readonly kind: 'unknown-encoding'; readonly encoding: string }
  | { readonly kind: 'undecodable'; readonly encoding: string; readonly line: number | undefined };

/** Bytes in which an XML declaration must have ended. */
const DECLARATION_BYTES = 400;

const asciiOf = (bytes: Uint8Array): string =>
  String.fromCharCode(...bytes.subarray(0, DECLARATION_BYTES)).replaceAll('\0', '');

const declaredIn = (bytes: Uint8Array): string | undefined =>
  /^\s*<\?xml[^>]*?\sencoding\s*=\s*["']([^"']*)["']/.exec(asciiOf(bytes))?.[1]?.trim().toLowerCase();

/** The encoding of XML text: byte-order marks, then zeros beside `<`, then what is declared, else UTF-8 (XML 1.0, appendix F). */
export const encodingOf = (bytes: Uint8Array): string => {
  const [a, b, c] = bytes;
  if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8';
  if ((a === 0xff && b === 0xfe) || (a === 0x3c && b === 0)) return 'utf-16le';
  if ((a === 0xfe && b === 0xff) || (a === 0 && b === 0x3c)) return 'utf-16be';
  const declared = declaredIn(bytes);
  // Text that calls itself 16 bits wide in letters of 8 bits was converted without its declaration.
  return declared === undefined || /^(utf-?16|ucs-?2|iso-10646-ucs-2)/.test(declared) ? 'utf-8' : declared;
};

const LINE_FEED = 10;

/** The first line, from 1, whose bytes the encoding does not have; only for encodings in which a line end is one byte. */
const brokenLine = (bytes: Uint8Array, encoding: string): number | undefined => {
  if (encoding.startsWith('utf-16')) return undefined;
  const decoder = new TextDecoder(encoding, { fatal: true });
  let line = 1;
  for (let start = 0; start < bytes.length; line += 1) {
    const end = bytes.indexOf(LINE_FEED, start);
    const stop = end < 0 ? bytes.length : end;
    try {
      decoder.decode(bytes.subarray(start, stop));
    } catch {
      return line;
    }
    start = stop + 1;
  }
  return undefined;
};

/** What windows-1252 has at 0x80 to 0x9F (WHATWG Encoding Standard, index windows-1252); a space where it has nothing. */
const WINDOWS_1252 = '€ ‚ƒ„…†‡ˆ‰Š‹Œ Ž  ‘’“”•–—˜™š›œ žŸ';

/** Node 20 decodes windows-1252 as Latin-1: its own letters come out as control characters, which no score has. */
const withWindowsLetters = (text: string): string =>
  text.replaceAll(/[\x80-\x9f]/g, (control) => {
    const letter = WINDOWS_1252[control.charCodeAt(0) - 0x80]!;
    return letter === ' ' ? control : letter;
  });

/** Labels that the Encoding Standard reads as windows-1252. */
const IS_WINDOWS_1252 = /^(windows-1252|cp-?1252|x-cp1252|iso-?8859-?1|latin-?1|l1|us-ascii|ascii)$/;

/** Decodes XML text, or says why it cannot be; nothing is replaced by a sign for the unreadable. */
export const decodeText = (bytes: Uint8Array): Result<string, EncodingProblem> => {
  const encoding = encodingOf(bytes);
  try {
    const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
    return success(IS_WINDOWS_1252.test(encoding) ? withWindowsLetters(text) : text);
  } catch (error) {
    return failure(
      error instanceof RangeError
        ? { kind: 'unknown-encoding', encoding }
        : { kind: 'undecodable', encoding, line: brokenLine(bytes, encoding) },
    );
  }
};

const DECLARED = /^(\s*<\?xml[^>]*?\sencoding\s*=\s*)(["'])[^"']*\2/;

/** The text with its declaration saying UTF-8, which is how it will be written. */
export const declaredAsUtf8 = (text: string): string => text.replace(DECLARED, '$1$2UTF-8$2');
