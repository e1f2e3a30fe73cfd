import { balanced, type SoundPlan } from '@oculon/core';
import type { Course } from './course.ts';
import type { StringEvent, TimedEvent } from './guitar/string-events.ts';
import { STRING_COUNT } from './guitar/guitar.ts';
import { clicksOf } from './metronome.ts';
import type { SoundSettings } from './sound-settings-schema.ts';
import { stringEventOf } from './string-event-of.ts';

/** Something to be heard at a moment of the piece, in ms. */
export interface Heard {
  readonly ms: number;
  readonly event: StringEvent;
}

const everyString = (ms: number): readonly Heard[] =>
  Array.from({ length: STRING_COUNT }, (_, string) => ({ ms, event: { kind: 'damp', string } as const }));

/** Everything that is heard of a piece with some settings, in order. */
export const heardWith = (sound: SoundPlan, settings: SoundSettings): readonly Heard[] => {
  const { clicking, silentBars, balance } = settings;
  const silent = silentBars ? sound.bars.filter((_, index) => index % 2 === 1) : [];
  const isSilent = (ms: number): boolean => silent.some(({ from, to }) => ms >= from - 1 && ms < to - 1);
  const music =
    clicking === 'alone'
      ? []
      : balanced(sound.events, balance).map((event) => ({ ms: event.ms, event: stringEventOf(event) }));
  const clicks =
    clicking === 'off'
      ? []
      : clicksOf(sound, settings).map(({ ms, pitch }) => ({ ms, event: { kind: 'click', pitch } as const }));
  return [
    ...[...music, ...clicks].filter(({ ms, event }) => event.kind === 'damp' || !isSilent(ms)),
    ...silent.flatMap(({ from }) => everyString(from)),
  ].sort((a, b) => a.ms - b.ms);
};

/** A stretch of a piece that is played at one tempo: from a second of the clock on, from a moment of the piece on. */
export interface Stretch {
  readonly second: number;
  readonly ms: number;
  readonly rate: number;
}

/** The second at which a moment of the piece is played in a stretch. */
export const secondOf = (course: Course, { second, ms, rate }: Stretch, moment: number): number =>
  second + (course.playedAt(moment) - course.playedAt(ms)) / 1000 / rate;

/** The moment of the piece that is played at a second. */
export const momentAt = (course: Course, { second, ms, rate }: Stretch, at: number): number =>
  course.pieceAt(course.playedAt(ms) + (at - second) * 1000 * rate);

/** What is heard between two moments of a stretch, by the clock. */
export const timed = (
  heard: readonly Heard[],
  course: Course,
  stretch: Stretch,
  from: number,
  to: number,
): readonly TimedEvent[] => {
  let low = 0;
  let high = heard.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (heard[middle]!.ms < from) low = middle + 1;
    else high = middle;
  }
  const found: TimedEvent[] = [];
  for (let index = low; index < heard.length && heard[index]!.ms < to; index += 1) {
    const { ms, event } = heard[index]!;
    found.push({ ...event, at: secondOf(course, stretch, ms) });
  }
  return found;
};

/** A passage of the piece that is played: ms. */
export interface PlayedPassage {
  readonly from: number;
  readonly to: number;
}

/** The passage of some bars of the page, counted from 0, where it comes first from a moment on; to the end without bars. */
export const passageOf = (
  { bars, steps, length }: SoundPlan,
  loop: { readonly from: number; readonly to: number },
  withNext: boolean,
  near = 0,
): PlayedPassage | undefined => {
  const first =
    bars.findLast(({ bar, from }) => bar === loop.from && from <= near) ??
    bars.find(({ bar }) => bar === loop.from);
  const last = first && bars.find(({ bar, from }) => bar === loop.to && from >= first.from);
  if (!first || !last) return undefined;
  const after = steps.findIndex(({ ms }) => ms >= last.to - 1);
  const end = withNext && after >= 0 ? (steps[after + 1]?.ms ?? length) : last.to;
  return { from: first.from, to: end };
};
