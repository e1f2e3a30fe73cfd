import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { EMPTY_FINGERING, type Choice } from '../src/fingering/fingering.ts';
import { readMusicXml } from '../src/formats/musicxml/read.ts';
import { isSameTaking } from '../src/left/left-plan.ts';
import { familyOf } from '../src/plan/alike.ts';
import { planPiece, setupFor, type Plan } from '../src/plan/plan.ts';
import type { Note, Score } from '../src/score/score.ts';
import { generatedXml } from './golden/pieces.ts';

const STUDIES = join(import.meta.dirname, '../../demo/studies');
/** Notes of a piece on which a decision is tried. */
const TRIED_IN_A_PIECE = 11;
/** A longer piece, by its number. */
const LONGER_PIECE = 3;

const scoreOf = (xml: string): Score => {
  const read = readMusicXml(xml);
  if (!read.ok) throw new Error(read.error.code);
  return read.value.score;
};

/** What one decision changes more than a bar away from it, in notes. */
interface Felt {
  readonly hand: 'left' | 'right';
  readonly left: number;
  readonly right: number;
  /** The same without bars that come back and are fingered alike, and their neighbours. */
  readonly leftWithoutReturns: number;
}

const feltAfter = (plan: Plan, note: Note, hand: Felt['hand'], choice: Choice): Felt => {
  const decided = { ...EMPTY_FINGERING, choices: new Map([[note.id, choice]]) };
  const again = planPiece(plan.score, decided, plan.setup, { memory: plan.memory });
  const far = plan.score.notes.filter(({ bar }) => Math.abs(bar - note.bar) > 1);
  const left = far.filter(({ index }) => !isSameTaking(plan.notes[index], again.notes[index]));
  const family = familyOf(plan.score, plan.left.sounds, note.bar);
  return {
    hand,
    left: left.length,
    right: far.filter(({ index }) => plan.notes[index]!.pluck !== again.notes[index]!.pluck).length,
    leftWithoutReturns: left.filter(({ bar }) => ![bar - 1, bar, bar + 1].some((each) => family.has(each)))
      .length,
  };
};

/** Single decisions against the plan, spread over the notes of a piece: another finger of either hand. */
const feltIn = (score: Score): readonly Felt[] => {
  const plan = planPiece(score, EMPTY_FINGERING, setupFor(score));
  const plucked = score.notes.filter(({ index }) => plan.notes[index]!.pluck !== undefined);
  const every = Math.ceil(plucked.length / TRIED_IN_A_PIECE);
  return plucked
    .filter((_, place) => place % every === 0)
    .flatMap((note) => {
      const { finger, pluck } = plan.notes[note.index]!;
      return [
        ...(finger ? [feltAfter(plan, note, 'left', { finger: finger === 2 ? 3 : 2 })] : []),
        feltAfter(plan, note, 'right', { pluck: pluck === 'i' ? 'm' : 'i' }),
      ];
    });
};

const mean = (values: readonly number[]): string =>
  (values.reduce((sum, value) => sum + value, 0) / values.length).toFixed(2);

/** Where single decisions are felt, over the studies of the demo and a longer piece, as Markdown. */
export const feltReport = (): string => {
  const studies = readdirSync(STUDIES).map((file) => readFileSync(join(STUDIES, file), 'utf8'));
  const all = [...studies, generatedXml(LONGER_PIECE)].flatMap((xml) => feltIn(scoreOf(xml)));
  const row = (name: string, felt: readonly Felt[]): string => {
    const [left, right, alone] = [
      felt.map((each) => each.left),
      felt.map((each) => each.right),
      felt.map((each) => each.leftWithoutReturns),
    ];
    return `| ${name} | ${felt.length} | ${mean(left)} | ${Math.max(...left)} | ${mean(alone)} | ${Math.max(...alone)} | ${mean(right)} | ${Math.max(...right)} |`;
  };
  return `## Where a decision is felt

Single decisions against the plan, on the studies of the demo and a longer generated piece: notes more than a bar away that are taken otherwise. Bars that come back are fingered alike on purpose; the columns without returns leave them and their neighbours out.

| decision | number | left hand, mean | most | without returns, mean | most | right hand, mean | most |
| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: |
${row('all', all)}
${(['left', 'right'] as const)
  .map((hand) =>
    row(
      `of the ${hand} hand`,
      all.filter((each) => each.hand === hand),
    ),
  )
  .join('\n')}`;
};
