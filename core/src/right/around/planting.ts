import { covers, type PassageRule, type PlantingKind } from '../../fingering/rules.ts';
import { STROKE_FINGERS, type StrokeFinger } from '../../fingering/vocabulary.ts';
import type { LeftPlan } from '../../left/left-plan.ts';
import type { Cell } from '../events/cells.ts';
import type { PluckEvent } from '../events/events.ts';
import { mustSoundUntil } from './must-sound.ts';
import { THUMB } from '../events/ranks.ts';

export interface PlantedFinger {
  readonly finger: StrokeFinger;
  readonly string: number;
}

/** What the fingers that do not play do while an event is plucked. */
export interface PlantingStep {
  readonly event: number;
  /** Set on their strings, ready to play. */
  readonly plants: readonly PlantedFinger[];
  /** Opened without being set: their string must ring, or they have no string to go to yet. */
  readonly opens: readonly StrokeFinger[];
  /** Left their string by playing it. */
  readonly releases: readonly StrokeFinger[];
}

/** A finger put back on a string as reference after a chord that lifted the hand. */
export interface Anchor {
  /** The chord, and the event that the anchor prepares. */
  readonly after: number;
  readonly before: number;
  readonly finger: StrokeFinger;
  readonly string: number;
}

/** A chord of so many notes lifts the hand off the strings. */
const LIFTING_CHORD = 3;
/** An entry sooner than this after a chord leaves no time for an anchor, in seconds. Our own value. */
const TIME_FOR_ANCHOR = 0.5;

/**
 * Tells whether a note that must sound is heard on a string at some tick, of those struck up to `from`: a finger set
 * there would silence it.
 */
const stringsInUse = (left: LeftPlan): ((string: number, from: number, at: number) => boolean) => {
  const until = mustSoundUntil(left);
  const byString = new Map<number, { onset: number; to: number }[]>();
  for (const { index, onset } of left.sounds) {
    const string = left.choices[index]?.string;
    if (string === undefined) continue;
    const spans = byString.get(string) ?? [];
    spans.push({ onset, to: until[index]! });
    byString.set(string, spans);
  }
  return (string, from, at) => {
    const latest = (byString.get(string) ?? []).findLast(({ onset }) => onset <= from);
    return latest !== undefined && latest.to > at;
  };
};

/** The kind of planting that suits a cell: rising fingers are set at once, falling ones one after the other. */
export const plantingFor = (cell: Cell, options: readonly (readonly number[])[]): PlantingKind => {
  const ranks = options.slice(cell.first, cell.end).flatMap((option) => option.at(-1)!);
  const fingers = ranks[0] === THUMB ? ranks.slice(1) : ranks;
  const rising = fingers.findIndex((rank, index) => index > 0 && rank < fingers[index - 1]!);
  return (rising < 0 ? fingers.length : rising) >= 2 ? 'full' : 'sequential';
};

/**
 * The planting plan of the cells under a planting rule. *Full*: with the first stroke of a cell every finger that
 * follows in rising order is set. *Sequential*: each finger is set as the one before it plays. No finger is ever set on
 * a string that must ring; it opens instead and is named.
 */
export const plantingSteps = (
  cells: readonly Cell[],
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
  left: LeftPlan,
  rules: Iterable<PassageRule>,
): readonly PlantingStep[] => {
  const planting = [...rules].filter((rule) => rule.kind === 'planting');
  const isInUse = stringsInUse(left);
  const steps: PlantingStep[] = [];
  for (const cell of cells) {
    const asked = planting.findLast((rule) => covers(rule, events[cell.first]!.bar))?.how ?? 'none';
    if (asked === 'none') continue;
    const how = asked === 'suited' ? plantingFor(cell, options) : asked;
    const standing = new Set<number>();
    for (let index = cell.first; index < cell.end; index += 1) {
      const released = options[index]!.filter((rank) => standing.delete(rank));
      const coming =
        how === 'full'
          ? index === cell.first
            ? risingFrom(index + 1, cell.end, options)
            : []
          : index + 1 < events.length
            ? [index + 1]
            : [];
      const plants: PlantedFinger[] = [];
      const opens: StrokeFinger[] = [];
      for (const next of coming)
        options[next]!.forEach((rank, place) => {
          const { string } = events[next]!.notes[place]!;
          const finger = STROKE_FINGERS[rank]!;
          const plays = options[index]!.includes(rank);
          if (plays || standing.has(rank)) return;
          if (isInUse(string, events[index]!.onset, events[index]!.onset)) opens.push(finger);
          else {
            standing.add(rank);
            plants.push({ finger, string });
          }
        });
      steps.push({ event: index, plants, opens, releases: released.map((rank) => STROKE_FINGERS[rank]!) });
    }
  }
  return steps;
};

/** Events whose fingers follow one another in rising order, each finger once. */
const risingFrom = (
  from: number,
  end: number,
  options: readonly (readonly number[])[],
): readonly number[] => {
  const found: number[] = [];
  let highest = THUMB;
  for (let index = from; index < end; index += 1) {
    const option = options[index]!;
    if (option[0]! <= highest) break;
    highest = option.at(-1)!;
    found.push(index);
  }
  return found;
};

/**
 * Anchors: after a chord that lifts the hand, when there is time before the next entry, a finger of that entry (or the
 * one beside it) goes back to its string first. Never on a string that must ring.
 */
export const anchorsOf = (
  events: readonly PluckEvent[],
  options: readonly (readonly number[])[],
  left: LeftPlan,
): readonly Anchor[] => {
  const isInUse = stringsInUse(left);
  return events.flatMap((event, after): Anchor[] => {
    const before = after + 1;
    const next = events[before];
    if (event.notes.length < LIFTING_CHORD || !next || next.secondsBefore < TIME_FOR_ANCHOR) return [];
    const place = next.notes.findIndex(({ string }) => !isInUse(string, event.onset, next.onset - 1));
    return place < 0
      ? []
      : [
          {
            after,
            before,
            finger: STROKE_FINGERS[options[before]![place]!]!,
            string: next.notes[place]!.string,
          },
        ];
  });
};
