import type { LeftFinger } from '../fingering/vocabulary.ts';
import { gripProblem, type Placement } from '../left/hand/grip.ts';
import { neckTables } from '../left/hand/hand.ts';
import type { Performance } from '../performance/performance.ts';
import type { Score } from '../score/score.ts';
import { chordName } from './harmony.ts';

/**
 * The notes of half a bar, or of less where the hand must change within it, as one shape that can lie at once.
 * Handbook §2: see the shapes.
 */
export interface Block {
  /** First slice, and the first one that no longer belongs to it. */
  readonly from: number;
  readonly to: number;
  readonly position: number;
  /** What lies, the bass string first; finger 0 is an open string. */
  readonly shape: readonly Placement[];
  /** Name of the harmony, when the notes make one. */
  readonly chord: string | undefined;
}

/** The blocks of a plan in playing order; together they hold every slice once. */
export const blocksOf = ({ score, left: plan }: Performance): readonly Block[] => {
  const { hand, guitar } = plan.setup;
  const neck = neckTables(guitar);
  const blocks: Block[] = [];
  let start = 0;
  let shape = new Map<number, Placement>();
  let sounds: number[] = [];
  /** Names are looked up once for each set of notes: pieces repeat themselves. */
  const names = new Map<string, string | undefined>();
  const nameOf = (own: readonly number[]): string | undefined => {
    const pitches = own.map((sound) => score.notes[plan.sounds[sound]!.head]!.sounding);
    const key = pitches.map(({ step, alter, octave }) => `${step}${alter}${octave}`).join(' ');
    if (!names.has(key)) names.set(key, chordName(pitches));
    return names.get(key);
  };
  const close = (end: number): void => {
    if (end === start) return;
    blocks.push({
      from: start,
      to: end,
      position: plan.hands[end - 1]!.position,
      shape: [...shape.values()].sort((a, b) => b.string - a.string),
      chord: nameOf(sounds),
    });
  };
  plan.hands.forEach(({ slice, lying, position }, index) => {
    const own = lying.filter((each) => each.sounding || slice.struck.includes(each.sound));
    const joined = new Map(shape);
    let clashes = false;
    for (const { string, fret, finger } of own) {
      const there = joined.get(string);
      if (there && (there.fret !== fret || there.finger !== finger)) clashes = true;
      joined.set(string, { string, fret, finger: finger as LeftFinger });
    }
    const before = plan.hands[index - 1];
    const mustPart =
      index > 0 &&
      (clashes ||
        halfOf(score, slice.bar, slice.onset) !== halfOf(score, before!.slice.bar, before!.slice.onset) ||
        (before!.position !== position && before!.position > 0) ||
        gripProblem([...joined.values()], hand, neck) !== undefined);
    if (mustPart) {
      close(index);
      start = index;
      shape = new Map(
        own.map(({ string, fret, finger }) => [string, { string, fret, finger: finger as LeftFinger }]),
      );
      sounds = own.map((each) => each.sound);
    } else {
      shape = joined;
      sounds = [...new Set([...sounds, ...own.map((each) => each.sound)])];
    }
  });
  close(plan.hands.length);
  return blocks;
};

/** Halves of bars, numbered; a bar of three beats or fewer stays whole. */
const halfOf = (score: Score, bar: number, onset: number): number => {
  const { start, length, meter } = score.bars[bar]!;
  const isWhole = meter.beats % 2 === 1 || meter.beats < 4;
  return bar * 2 + (isWhole || onset < start + length / 2 ? 0 : 1);
};
