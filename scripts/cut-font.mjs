/** Cuts fonts down to some signs. Their licence (SIL OFL 1.1) reserves their names, so that a cut one carries another. */
import subsetFont from 'subset-font';

/** What a copyright says of the reserved name stays. */
const IN_COPYRIGHT = /Reserved Font Name ["'‘]$/;
const LONGEST_BEFORE = 'Reserved Font Name "'.length;
const ENCODINGS = [
  { to: (name) => Buffer.from(name, 'latin1'), from: (bytes) => bytes.toString('latin1') },
  {
    to: (name) => Buffer.from(name, 'utf16le').swap16(),
    from: (bytes) => Buffer.from(bytes).swap16().toString('utf16le'),
  },
];

/** The own name is as long as the reserved one: it takes its place in the tables of the font, whose offsets stay. */
const renamed = (font, reserved, own) => {
  if (own.length !== reserved.length) throw new Error(`${own} is not as long as ${reserved}.`);
  for (const { to, from } of ENCODINGS) {
    const name = to(reserved);
    const room = to(' '.repeat(LONGEST_BEFORE)).length;
    for (let at = font.indexOf(name); at >= 0; at = font.indexOf(name, at + 1))
      if (!IN_COPYRIGHT.test(from(font.subarray(Math.max(0, at - room), at)))) to(own).copy(font, at);
  }
  return font;
};

/** @returns a WOFF2 file with the signs of some ranges of code points, of some weights where the font has several. */
export const cutFont = async (whole, { ranges, reserved, own, weights }) => {
  const text = ranges
    .flatMap(([from, to]) =>
      Array.from({ length: to - from + 1 }, (_, index) => String.fromCodePoint(from + index)),
    )
    .join('');
  const cut = await subsetFont(whole, text, {
    targetFormat: 'sfnt',
    noLayoutClosure: true,
    ...(weights && { variationAxes: { wght: weights } }),
  });
  return subsetFont(renamed(cut, reserved, own), text, { targetFormat: 'woff2', noLayoutClosure: true });
};

const hex = (point) => point.toString(16).toUpperCase();
/** Ranges of code points, as a `unicode-range`. */
export const unicodeRange = (ranges) =>
  ranges.map(([from, to]) => (from === to ? `U+${hex(from)}` : `U+${hex(from)}-${hex(to)}`)).join(', ');

/** What some ranges leave of others; both in ascending order. */
export const rangesWithout = (ranges, cut) =>
  ranges.flatMap(([first, last]) => {
    const left = [];
    let from = first;
    for (const [start, end] of cut) {
      if (end < from || start > last) continue;
      if (start > from) left.push([from, start - 1]);
      from = end + 1;
    }
    return from <= last ? [...left, [from, last]] : left;
  });

/** The ranges of a `unicode-range`. */
export const rangesOf = (written) =>
  written.split(',').map((part) => {
    const [from, to = from] = part.trim().replace(/^U\+/i, '').split('-');
    return [parseInt(from, 16), parseInt(to, 16)];
  });
