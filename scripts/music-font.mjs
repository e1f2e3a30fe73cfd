/**
 * `npm run music-font`: cuts the music font down to the signs that guitar pieces are written with, so that a student's phone
 * fetches a seventh of it. The font's licence (SIL OFL 1.1) reserves its name, so the cut one carries another.
 * With `--check` it only tells whether the font in the repository is the one that comes out.
 */
import { createRequire } from 'node:module';
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';
import subsetFont from 'subset-font';
import { MUSIC_GLYPHS } from '../web/src/lib/engraving/music-font/glyphs.mjs';

const FOLDER = new URL('../web/src/lib/engraving/music-font/', import.meta.url);
const RESERVED = 'Bravura';
/** As long as the reserved name: it takes its place in the tables of the font, whose offsets stay. */
const OWN = 'OcuMuse';

const whole = createRequire(new URL('../web/', import.meta.url)).resolve(
  '@vexflow-fonts/bravura/bravura.otf',
);
const text = MUSIC_GLYPHS.flatMap(([from, to]) =>
  Array.from({ length: to - from + 1 }, (_, index) => String.fromCodePoint(from + index)),
).join('');

/** What its copyright says of the reserved name stays. */
const IN_COPYRIGHT = 'Reserved Font Name "';
const ENCODINGS = [(name) => Buffer.from(name, 'latin1'), (name) => Buffer.from(name, 'utf16le').swap16()];

const renamed = (font) => {
  for (const encoded of ENCODINGS) {
    const [reserved, before] = [encoded(RESERVED), encoded(IN_COPYRIGHT)];
    for (let at = font.indexOf(reserved); at >= 0; at = font.indexOf(reserved, at + 1))
      if (!font.subarray(at - before.length, at).equals(before)) encoded(OWN).copy(font, at);
  }
  return font;
};

const hex = (point) => point.toString(16).toUpperCase();
const rangesIn = (ranges) => ranges.map(([from, to]) => `U+${hex(from)}-${hex(to)}`).join(', ');
/** Private Use Area, in which all signs of music stand. */
const [FIRST, LAST] = [0xe000, 0xf8ff];
const others = [...MUSIC_GLYPHS, [LAST + 1, LAST + 1]]
  .map(([from], index) => [index === 0 ? FIRST : MUSIC_GLYPHS[index - 1][1] + 1, from - 1])
  .filter(([from, to]) => from <= to);
const face = (family, file, ranges) => `@font-face {
  font-family: '${family}';
  font-style: normal;
  font-weight: 400;
  font-display: block;
  src: url('${file}') format('woff2');
  unicode-range: ${rangesIn(ranges)};
}
`;
const styles = `/* Written by \`npm run music-font\`; do not edit by hand. */
${face('Oculon Music', './ocumuse.woff2', MUSIC_GLYPHS)}${face('Bravura', '@vexflow-fonts/bravura/bravura.woff2', others)}`;

const cut = await subsetFont(readFileSync(whole), text, { targetFormat: 'sfnt', noLayoutClosure: true });
const packed = await subsetFont(renamed(cut), text, { targetFormat: 'woff2', noLayoutClosure: true });
const inFolder = (name) => fileURLToPath(new URL(name, FOLDER));
const files = [
  [inFolder('ocumuse.woff2'), packed],
  [
    inFolder('music-font.css'),
    Buffer.from(await format(styles, { parser: 'css', singleQuote: true, printWidth: 110 })),
  ],
  [inFolder('OFL.txt'), readFileSync(whole.replace(/bravura\.otf$/, 'LICENSE.txt'))],
];
if (process.argv.includes('--check')) {
  const isSame = files.every(([file, content]) => content.equals(readFileSync(file)));
  console.log(
    isSame
      ? 'The music font is as it comes out.'
      : 'The music font is not what comes out: run npm run music-font.',
  );
  process.exitCode = isSame ? 0 : 1;
} else {
  for (const [file, content] of files) writeFileSync(file, content);
  console.log(
    `${Math.round(packed.length / 1000)} kB of ${Math.round(readFileSync(whole).length / 1000)} kB (uncompressed) written.`,
  );
}
