import { strToU8, zipSync, type Zippable } from 'fflate';
import { CORPUS } from './corpus.ts';
import { Random } from './random.ts';

const NUMBERS = [
  '0',
  '-1',
  '1e308',
  '1e20',
  'Infinity',
  'NaN',
  '0.4',
  '-0',
  '',
  ' ',
  '99999999999',
  '0x10',
  '1.5',
  '7',
  '+2',
  '1e-9',
  '２',
];
const TEXTS = [
  'T',
  '1-3',
  '⑥ = D',
  'Drop D',
  'C V',
  '½C II',
  'XIX',
  'plant pima',
  'guide',
  '\u0301',
  '&#x1F3B8;',
  '&lt;',
  ']]>',
  '<![CDATA[x]]>',
];
const NAMES = [
  'note',
  'chord',
  'rest',
  'grace',
  'cue',
  'backup',
  'forward',
  'duration',
  'pitch',
  'tie',
  'measure',
  'attributes',
  'staff',
  'voice',
  'technical',
  'notations',
  'harmonic',
  'constructor',
  '__proto__',
];

type Mutation = (text: string, random: Random) => string;

/** One place of a pattern, chosen by chance, replaced. */
const replacedSomewhere = (
  text: string,
  pattern: RegExp,
  random: Random,
  by: (found: string) => string,
): string => {
  const found = [...text.matchAll(pattern)];
  if (found.length === 0) return text;
  const { index, 0: whole } = random.pick(found);
  return text.slice(0, index) + by(whole) + text.slice(index + whole.length);
};

const element = (name: string): RegExp => new RegExp(`<${name}[ >][\\s\\S]*?</${name}>`, 'g');

const MUTATIONS: readonly Mutation[] = [
  (text, random) => replacedSomewhere(text, />-?\d+(\.\d+)?</g, random, () => `>${random.pick(NUMBERS)}<`),
  (text, random) =>
    replacedSomewhere(
      text,
      /="[^"]*"/g,
      random,
      () => `="${random.pick([...NUMBERS, 'no', 'yes', 'start', 'stop'])}"`,
    ),
  (text, random) => replacedSomewhere(text, />[^<>]+</g, random, () => `>${random.pick(TEXTS)}<`),
  (text, random) =>
    replacedSomewhere(
      text,
      /<\/?[a-z-]+/g,
      random,
      (tag) => (tag.startsWith('</') ? '</' : '<') + random.pick(NAMES),
    ),
  (text, random) =>
    replacedSomewhere(
      text,
      element(random.pick(['note', 'measure', 'pitch', 'attributes', 'technical', 'backup'])),
      random,
      () => '',
    ),
  (text, random) =>
    replacedSomewhere(
      text,
      element(random.pick(['note', 'measure', 'direction', 'attributes', 'notations'])),
      random,
      (found) => found.repeat(2 + random.below(4)),
    ),
  // Many notes at once.
  (text, random) =>
    replacedSomewhere(
      text,
      element('note'),
      random,
      (found) => found + found.replace('>', '><chord/>').repeat(5 + random.below(30)),
    ),
  (text, random) =>
    replacedSomewhere(
      text,
      /<note>/g,
      random,
      (tag) => `${tag}<${random.pick(['grace', 'cue', 'chord', 'rest'])}/>`,
    ),
  (text, random) =>
    replacedSomewhere(
      text,
      /<note>/g,
      random,
      () => `<forward><duration>${random.pick(NUMBERS)}</duration></forward><note>`,
    ),
  (text, random) =>
    replacedSomewhere(
      text,
      /<voice>\d<\/voice>/g,
      random,
      () => `<voice>${random.pick(['1', '2', '', 'a', '99'])}</voice>`,
    ),
  (text, random) =>
    replacedSomewhere(
      text,
      /<\/note>/g,
      random,
      () =>
        `<notations><${random.pick(['slur', 'tied', 'slide'])} type="${random.pick(['start', 'stop'])}" number="${random.pick(['1', '2', '9', ''])}"/></notations></note>`,
    ),
  (text, random) => replacedSomewhere(text, /<octave>\d/g, random, () => `<octave>${random.below(10)}`),
  (text, random) =>
    replacedSomewhere(text, /<note>/g, random, () => `<sound tempo="${random.pick(NUMBERS)}"/><note>`),
  (text, random) => text.slice(0, random.below(text.length)),
  (text, random) => {
    const from = random.below(text.length);
    return text.slice(0, from) + text.slice(from + random.below(40));
  },
  (text, random) =>
    text.slice(0, random.below(text.length)) +
    String.fromCharCode(random.below(0xffff)) +
    text.slice(random.below(text.length)),
];

const bytesOf = (text: string, random: Random): Uint8Array => {
  const kind = random.below(16);
  if (kind === 0) {
    const wide = new Uint8Array(text.length * 2);
    const view = new DataView(wide.buffer);
    for (let index = 0; index < text.length; index += 1)
      view.setUint16(index * 2, text.charCodeAt(index), true);
    return wide;
  }
  if (kind === 1) return Uint8Array.from(text, (letter) => letter.charCodeAt(0) & 255);
  return strToU8(text);
};

const packed = (score: Uint8Array, random: Random): Uint8Array => {
  const name = random.pick([
    'score.xml',
    './a b.xml',
    'x',
    '../../x.xml',
    'META-INF/container.xml',
    'constructor',
  ]);
  const path = random.pick([name, encodeURIComponent(name), name.toUpperCase(), 'gone.xml', '']);
  const container = `<container><rootfiles><rootfile full-path="${path}"/></rootfiles></container>`;
  const files: Zippable = Object.assign(Object.create(null) as Zippable, {
    'META-INF/container.xml': strToU8(container),
  });
  Object.defineProperty(files, name, { value: score, enumerable: true, configurable: true });
  return zipSync(files, { level: random.pick([0, 6]) });
};

/** Some bytes turned over. */
const flipped = (bytes: Uint8Array, random: Random): Uint8Array => {
  const changed = bytes.slice();
  for (let count = 1 + random.below(6); count > 0; count -= 1)
    changed[random.below(changed.length)] = random.below(256);
  return changed;
};

/** The file of a seed: a piece of the corpus, bent once or up to six times, sometimes packed, sometimes damaged. */
export const mutatedFile = (seed: number): Uint8Array => {
  const random = new Random(seed);
  let text = random.pick(CORPUS);
  for (let count = 1 + random.below(random.pick([1, 2, 3, 6])); count > 0; count -= 1)
    text = random.pick(MUTATIONS)(text, random);
  let bytes = bytesOf(text, random);
  if (random.below(6) === 0) bytes = packed(bytes, random);
  return random.below(12) === 0 && bytes.length > 0 ? flipped(bytes, random) : bytes;
};
