/**
 * `npm run fonts`: cuts the fonts down to what the pages write with them, so that a student's phone fetches a third of them:
 * the music font to the signs of guitar pieces, the text fonts to the letters of western languages and the weights in use.
 * What lies outside is fetched from the whole font, where a page has such a sign.
 * With `--check` it only tells whether the fonts in the repository are the ones that come out.
 */
import { createRequire } from 'node:module';
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';
import { MUSIC_GLYPHS } from '../web/src/lib/engraving/music-font/glyphs.mjs';
import { LETTER_GLYPHS, TEXT_GLYPHS } from '../web/src/lib/shell/text-font/glyphs.mjs';
import { cutFont, rangesOf, rangesWithout, unicodeRange } from './cut-font.mjs';

const MUSIC_FOLDER = new URL('../web/src/lib/engraving/music-font/', import.meta.url);
const TEXT_FOLDER = new URL('../web/src/lib/shell/text-font/', import.meta.url);
const { resolve } = createRequire(new URL('../web/', import.meta.url));
/** Private Use Area, in which all signs of music stand. */
const PRIVATE_USE = [0xe000, 0xf8ff];
/** From running text to the digits on the sheet. */
const WEIGHTS = { min: 400, max: 800 };
/** Weights of the pages that a font with several stands for. */
const ANY_WEIGHT = '200 900';

const face = ({ family, style = 'normal', weight, display, file, ranges }) => `@font-face {
  font-family: '${family}';
  font-style: ${style};
  font-weight: ${weight};
  font-display: ${display};
  src: url('${file}') format('woff2');
  unicode-range: ${unicodeRange(ranges)};
}
`;
const HEAD = '/* Written by `npm run fonts`; do not edit by hand. */\n';
const styleSheet = async (faces) =>
  Buffer.from(
    await format(HEAD + faces.map(face).join(''), { parser: 'css', singleQuote: true, printWidth: 110 }),
  );
const inFolder = (folder, name) => fileURLToPath(new URL(name, folder));

const musicFiles = async () => {
  const whole = resolve('@vexflow-fonts/bravura/bravura.otf');
  const cut = await cutFont(readFileSync(whole), {
    ranges: MUSIC_GLYPHS,
    reserved: 'Bravura',
    own: 'OcuMuse',
  });
  const every = { weight: 400, display: 'block' };
  const styles = await styleSheet([
    { ...every, family: 'Oculon Music', file: './ocumuse.woff2', ranges: MUSIC_GLYPHS },
    {
      ...every,
      family: 'Bravura',
      file: '@vexflow-fonts/bravura/bravura.woff2',
      ranges: rangesWithout([PRIVATE_USE], MUSIC_GLYPHS),
    },
  ]);
  return [
    [inFolder(MUSIC_FOLDER, 'ocumuse.woff2'), cut],
    [inFolder(MUSIC_FOLDER, 'music-font.css'), styles],
    [inFolder(MUSIC_FOLDER, 'OFL.txt'), readFileSync(whole.replace(/bravura\.otf$/, 'LICENSE.txt'))],
  ];
};

/** Italics come in one weight; the heavy one is fetched where a teacher has fixed a letter. */
const ITALIC = { family: 'Oculon Serif', package: 'source-serif-4', style: 'italic' };
const TEXT_FONTS = [
  {
    name: 'oculon-serif',
    family: 'Oculon Serif',
    package: 'source-serif-4',
    style: 'normal',
    ranges: TEXT_GLYPHS,
    weights: WEIGHTS,
    stands: ANY_WEIGHT,
  },
  { ...ITALIC, name: 'oculon-serif-italic', ranges: TEXT_GLYPHS, weights: 400, stands: '200 500' },
  { ...ITALIC, name: 'oculon-serif-italic-heavy', ranges: LETTER_GLYPHS, weights: 800, stands: '501 900' },
  {
    name: 'oculon-sans',
    family: 'Oculon Sans',
    package: 'source-sans-3',
    style: 'normal',
    ranges: TEXT_GLYPHS,
    weights: WEIGHTS,
    stands: ANY_WEIGHT,
  },
];
const wholeText = (font, script) =>
  `@fontsource-variable/${font.package}/files/${font.package}-${script}-wght-${font.style}.woff2`;
/** The parts of a whole font with their code points, as its package says. */
const partsOf = (font) =>
  Object.entries(
    JSON.parse(readFileSync(resolve(`@fontsource-variable/${font.package}/unicode.json`), 'utf8')),
  ).map(([script, written]) => [script, rangesOf(written)]);

const textFiles = async () => {
  const files = [];
  const faces = [];
  for (const font of TEXT_FONTS) {
    const { name, family, style, weights, stands, ranges } = font;
    const every = { family, style, weight: stands, display: 'swap' };
    const cut = await cutFont(readFileSync(resolve(wholeText(font, 'latin'))), {
      ranges,
      reserved: 'Source',
      own: 'Oculon',
      weights,
    });
    files.push([inFolder(TEXT_FOLDER, `${name}.woff2`), cut]);
    faces.push(
      { ...every, file: `./${name}.woff2`, ranges },
      ...partsOf(font).map(([script, whole]) => ({
        ...every,
        file: wholeText(font, script),
        ranges: rangesWithout(whole, ranges),
      })),
    );
  }
  return [
    ...files,
    [inFolder(TEXT_FOLDER, 'text-font.css'), await styleSheet(faces)],
    [inFolder(TEXT_FOLDER, 'OFL.txt'), readFileSync(resolve('@fontsource-variable/source-serif-4/LICENSE'))],
  ];
};

const files = [...(await musicFiles()), ...(await textFiles())];
if (process.argv.includes('--check')) {
  const isSame = files.every(([file, content]) => content.equals(readFileSync(file)));
  console.log(
    isSame ? 'The fonts are as they come out.' : 'The fonts are not what comes out: run npm run fonts.',
  );
  process.exitCode = isSame ? 0 : 1;
} else {
  for (const [file, content] of files) writeFileSync(file, content);
  const size = files
    .filter(([file]) => file.endsWith('.woff2'))
    .map(([, { length }]) => Math.round(length / 1000));
  console.log(`Fonts of ${size.join(', ')} kB written.`);
}
