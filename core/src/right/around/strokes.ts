import { covers, type PassageRule } from '../../fingering/rules.ts';
import type { LeftPlan } from '../../left/left-plan.ts';
import type { Score } from '../../score/score.ts';
import type { PluckEvent } from '../events/events.ts';
import { mustSoundUntil } from './must-sound.ts';
import { THUMB } from '../events/ranks.ts';

export type Stroke = 'free' | 'rest';

/** How a note is struck and why, where it is not the plain free stroke. */
export interface StrokeAdvice {
  readonly event: number;
  readonly sound: number;
  readonly stroke: Stroke;
  readonly by: 'teacher' | 'suggestion';
  readonly reason: 'asked' | 'scale' | 'thumb-silences';
  /** String on which a rest stroke comes to lie, and which it silences; undefined for none. */
  readonly comesToRestOn: number | undefined;
  /** The string still sounded past its written end: the rest stroke damps it for nothing. */
  readonly damps: boolean;
}

/** How a harmonic is touched: the stopping and the touching hand. */
export interface HarmonicTouch {
  readonly sound: number;
  readonly string: number;
  /** Fret over which the string is touched. */
  readonly node: number;
  readonly by: 'left' | 'right-index';
}

/** Frets between a stopped note and the node of its artificial harmonic. Common practice, no published source. */
const OCTAVE_NODE = 12;
/** Single notes in a row that make a scale worth a rest stroke. */
const LEAST_SCALE = 6;
const LOWEST_STRING = 6;

/** The string on which a rest stroke of a finger ends: the thumb moves toward the treble, the others toward the bass. */
const restingString = (rank: number, string: number): number | undefined => {
  const to = rank === THUMB ? string - 1 : string + 1;
  return to >= 1 && to <= LOWEST_STRING ? to : undefined;
};

/**
 * Rest strokes that a teacher asked for or that are worth suggesting: a run of single notes, and the thumb where its
 * rest stroke silences an open bass that rings on too long. Never where the stroke would silence a note that is held.
 */
export const strokeAdvice = (
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
  left: LeftPlan,
  rules: Iterable<PassageRule>,
): readonly StrokeAdvice[] => {
  const asked = [...rules].filter((rule) => rule.kind === 'stroke');
  const until = mustSoundUntil(left);
  const latestOn = new Map<number, number>();
  const runs = runsOfSingles(events);
  return events.flatMap((event, index) => {
    const advice = event.notes.flatMap(({ sound, string, voice }, place): StrokeAdvice[] => {
      const rank = options[index]![place]!;
      const to = restingString(rank, string);
      const lying = to === undefined ? undefined : latestOn.get(to);
      const isStruckToo = event.notes.some((other) => other.string === to);
      const isHeld = isStruckToo || (lying !== undefined && until[lying]! > event.onset);
      const isOpenTail = lying !== undefined && left.choices[lying]?.finger === 0 && !isHeld;
      const base = { event: index, sound, comesToRestOn: to, damps: isOpenTail };
      const rule = asked.findLast(
        (each) =>
          covers(each, event.bar) && (each.voice === 'all' || (each.voice === 'bass') === (voice === 'bass')),
      );
      if (rule)
        return rule.stroke === 'rest' && isHeld
          ? []
          : [{ ...base, stroke: rule.stroke, by: 'teacher', reason: 'asked' }];
      if (isHeld) return [];
      if (rank === THUMB)
        return isOpenTail ? [{ ...base, stroke: 'rest', by: 'suggestion', reason: 'thumb-silences' }] : [];
      return event.notes.length === 1 && runs[index]! >= LEAST_SCALE
        ? [{ ...base, stroke: 'rest', by: 'suggestion', reason: 'scale' }]
        : [];
    });
    for (const { sound, string } of event.notes) latestOn.set(string, sound);
    return advice;
  });
};

/** By event: how many single notes stand in the run it belongs to. */
const runsOfSingles = (events: readonly PluckEvent[]): readonly number[] => {
  const lengths = new Array<number>(events.length).fill(0);
  let from = 0;
  const close = (end: number): void => {
    lengths.fill(end - from, from, end);
    from = end + 1;
  };
  events.forEach((event, index) => {
    if (event.notes.length !== 1 || event.notes[0]!.voice === 'bass') close(index);
  });
  close(events.length);
  return lengths;
};

/** Where the harmonics of a piece are touched. */
export const harmonicTouches = (score: Score, left: LeftPlan): readonly HarmonicTouch[] =>
  left.sounds.flatMap(({ index, head }): HarmonicTouch[] => {
    const { harmonic } = score.notes[head]!;
    const choice = left.choices[index];
    if (!harmonic || !choice) return [];
    return harmonic === 'natural'
      ? [{ sound: index, string: choice.string, node: choice.fret, by: 'left' }]
      : [{ sound: index, string: choice.string, node: choice.fret + OCTAVE_NODE, by: 'right-index' }];
  });
