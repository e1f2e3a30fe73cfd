import { EMPTY_FINGERING, type Fingering } from '../src/fingering/fingering.ts';
import { planPiece, setupFor, type Plan, type PlanSetup } from '../src/plan/plan.ts';
import { exampleMeter, exampleXml } from '../src/testing/notation.ts';
import { readMusicXml } from '../src/formats/musicxml/read.ts';
import { struckNotes } from '../src/testing/planning.ts';
import { dampingOf } from '../src/technique/damping.ts';
import { performanceOf } from '../src/performance/performance.ts';
import { notation, playedNotes, type PlayedNote, type TexturedPassage } from './passages/textures/texture.ts';
import type { Score } from '../src/score/score.ts';

/** Notes at this fret or above are of the upper register. */
export const UPPER_FRET = 5;

export const texturedScore = ({ meter, played, tempo }: TexturedPassage): Score => {
  const read = readMusicXml(exampleXml({ voices: played.map(notation), meter: exampleMeter(meter), tempo }));
  if (!read.ok) throw new RangeError(read.error.code);
  return read.value.score;
};

export const planTextured = (
  passage: TexturedPassage,
  setup?: Partial<PlanSetup>,
  fingering: Fingering = EMPTY_FINGERING,
): Plan => {
  const score = texturedScore(passage);
  return planPiece(score, fingering, { ...setupFor(score), ...setup });
};

/** How many of the things with an opinion agree. */
export interface Tally {
  readonly agreeing: number;
  readonly of: number;
}

export interface TexturedVerdict {
  readonly passage: TexturedPassage;
  readonly plan: Plan;
  readonly left: Tally;
  /** Notes whose accepted place is at fret 5 or above. */
  readonly upper: Tally;
  readonly right: Tally;
  readonly movements: Tally;
  readonly damping: Tally;
  /** What is taken otherwise than accepted, in words. */
  readonly differences: readonly string[];
}

const ours = (plan: Plan): readonly { left: string; pluck: string; fret: number; bar: number }[] =>
  struckNotes(plan).map((note) => {
    const { string, finger, fret, pluck } = plan.notes[note.index]!;
    return { left: `${string ?? '-'}:${finger ?? '-'}`, pluck: pluck ?? '-', fret: fret ?? 0, bar: note.bar };
  });

const agrees = (accepted: string, own: string): boolean =>
  accepted.split('|').some((way) => way === own || (way.endsWith(':*') && own.startsWith(way.slice(0, -1))));

export const judgeTextured = (passage: TexturedPassage, setup?: Partial<PlanSetup>): TexturedVerdict => {
  const plan = planTextured(passage, setup);
  const own = ours(plan);
  const answers = [passage.played, ...(passage.also ?? [])].map(playedNotes);
  for (const answer of answers)
    if (answer.length !== own.length || answer.some(({ midi }, index) => midi !== answers[0]![index]!.midi))
      throw new RangeError(`${passage.name}: an answer of other notes`);
  const misses = (answer: readonly PlayedNote[]): number =>
    answer.filter(({ left }, index) => !agrees(left, own[index]!.left)).length;
  const best = answers.reduce((a, b) => (misses(b) < misses(a) ? b : a));
  const differences = best.flatMap(({ left }, index) =>
    agrees(left, own[index]!.left)
      ? []
      : [`bar ${own[index]!.bar + 1}: ours ${own[index]!.left} (fret ${own[index]!.fret}), accepted ${left}`],
  );
  const isUpper = fretsOf(passage.played).map((fret) => fret >= UPPER_FRET);
  const upperMisses = best.filter(
    ({ left }, index) => isUpper[index] && !agrees(left, own[index]!.left),
  ).length;
  const plucked = answers[0]!.flatMap(({ right }, index) =>
    right === '' ? [] : [{ right, own: own[index]!.pluck, bar: own[index]!.bar }],
  );
  const wrong = plucked.filter((each) => !each.right.includes(each.own));
  const upper = isUpper.filter(Boolean).length;
  const movements = movementsOf(passage, plan);
  const damping = dampingTally(passage, plan);
  return {
    passage,
    plan,
    left: { agreeing: best.length - misses(best), of: best.length },
    upper: { agreeing: upper - upperMisses, of: upper },
    right: { agreeing: plucked.length - wrong.length, of: plucked.length },
    movements: movements.tally,
    damping: damping.tally,
    differences: [
      ...differences,
      ...wrong.map((each) => `bar ${each.bar + 1}: plucked ${each.own}, accepted ${each.right}`),
      ...movements.differences,
      ...damping.differences,
    ],
  };
};

const fretsOf = (voices: readonly string[]): readonly number[] =>
  voices.flatMap((voice) =>
    voice
      .split(/\s+/)
      .filter((token) => token !== '|' && token !== '' && !token.startsWith('-'))
      .flatMap((token) =>
        token
          .split('/')[0]!
          .split('+')
          .map((note) => /^(\d)\.(\d+)/.exec(note)!)
          .map(([, string, fret]) => ({ string: Number(string), fret: Number(fret) }))
          .sort((a, b) => pitchOf(a) - pitchOf(b))
          .map(({ fret }) => fret),
      ),
  );

const OPEN = [0, 64, 59, 55, 50, 45, 40];
const pitchOf = ({ string, fret }: { string: number; fret: number }): number => OPEN[string]! + fret;

const movementsOf = (
  { movements = {} }: TexturedPassage,
  plan: Plan,
): { tally: Tally; differences: readonly string[] } => {
  const { technique, score } = plan;
  const barAt = (tick: number): number => score.bars.findLastIndex(({ start }) => start <= tick) + 1;
  const differences: string[] = [];
  let of = 0;
  const compare = (what: string, wanted: readonly string[], found: readonly string[]): void => {
    const rest = [...found];
    for (const each of wanted) {
      of += 1;
      const at = rest.indexOf(each);
      if (at < 0) differences.push(`${what} ${each} missing`);
      else rest.splice(at, 1);
    }
    for (const each of rest) {
      of += 1;
      differences.push(`${what} ${each} too many`);
    }
  };
  if (movements.shifts)
    compare(
      'shift (bar, position)',
      movements.shifts.map((each) => each.join(' ')),
      technique.shifts.map(({ onset, to }) => `${barAt(onset)} ${to}`),
    );
  if (movements.barres)
    compare(
      'barre (fret, from, to)',
      movements.barres.map((each) => each.join(' ')),
      technique.barres
        .filter(({ finger }) => finger === 1)
        .map(({ fret, onset, until }) => `${fret} ${barAt(onset)} ${barAt(until - 1)}`),
    );
  if (movements.guides) {
    const found = technique.guides.map(
      ({ finger, string, fromFret, toFret }) => `${finger} ${string} ${fromFret} ${toFret}`,
    );
    const wanted = movements.guides.map((each) => each.join(' '));
    compare(
      'guide',
      wanted,
      found.filter((each) => wanted.includes(each)),
    );
  }
  return { tally: { of, agreeing: Math.max(0, of - differences.length) }, differences };
};

const dampingTally = (
  { movements = {} }: TexturedPassage,
  plan: Plan,
): { tally: Tally; differences: readonly string[] } => {
  if (!movements.damping) return { tally: { of: 0, agreeing: 0 }, differences: [] };
  const found = dampingOf(performanceOf(plan.score, plan.memory.clock, [], plan.left, plan.right))
    .filter(({ grade }) => grade !== 'may')
    .map(({ sound, string }) => `${plan.left.sounds[sound]!.bar + 1} ${string}`);
  const wanted = movements.damping.map((each) => each.join(' '));
  const missing = wanted.filter((each) => !found.includes(each));
  const more = found.filter((each) => !wanted.includes(each));
  return {
    tally: { of: wanted.length + more.length, agreeing: wanted.length - missing.length },
    differences: [
      ...missing.map((each) => `damping (bar, string) ${each} missing`),
      ...more.map((each) => `damping (bar, string) ${each} too many`),
    ],
  };
};
