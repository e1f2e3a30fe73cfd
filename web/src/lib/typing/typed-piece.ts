import type { BarDraft, Meter, PieceDraft } from '@oculon/core';
import { readTune, type AbcMeter } from './abc-tune.ts';
import { barsOfVoice, fifthsOf, tempoOf, type VoiceBar } from './typed-voice.ts';
import { placeIn, problemOfWarning, type TypedProblem } from './typed-problem.ts';

/** A typed text as a piece, with what is wrong with it; no piece when nothing can be made of it. */
export interface TypedPiece {
  readonly draft: PieceDraft | undefined;
  readonly problems: readonly TypedProblem[];
}

/** More voices than a guitar study has. */
const MOST_VOICES = 4;
const LONGEST_TEXT = 60_000;
/** What abcjs says and we say better. */
const TOLD_HERE = /Duration not representable/;

const meterOf = (meter: AbcMeter | undefined): Meter | undefined => {
  if (meter?.type === 'common_time') return { beats: 4, beatType: 4 };
  if (meter?.type === 'cut_time') return { beats: 2, beatType: 2 };
  const [value] = meter?.value ?? [];
  const beats = value?.num.split('+').reduce((sum, each) => sum + Number(each), 0) ?? 0;
  const beatType = Number(value?.den ?? 4);
  return beats > 0 && beatType > 0 ? { beats, beatType } : undefined;
};

const countText = (share: number): string => {
  const eighths = share * 8;
  return Number.isInteger(eighths)
    ? `${eighths} ${eighths === 1 ? 'eighth' : 'eighths'}`
    : `${(share * 4).toFixed(2)} quarters`;
};

/** Reads a piece typed in ABC, one tune with up to four voices, written as guitar music is: an octave above what sounds. */
export const typedPiece = (text: string): TypedPiece => {
  if (text.length > LONGEST_TEXT)
    return {
      draft: undefined,
      problems: [{ line: 1, column: 1, message: 'This text is too long to be one piece.' }],
    };
  const tune = readTune(text);
  const problems: TypedProblem[] = (tune?.warnings ?? [])
    .filter((warning) => !TOLD_HERE.test(warning))
    .map(problemOfWarning);
  const complain = (at: number, message: string): void => {
    problems.push({ ...placeIn(text, at), message });
  };
  const voices = (tune?.voices ?? []).map((elements) => barsOfVoice(elements, tune!.key, complain));
  if (!tune || voices.every((bars) => bars.length === 0))
    return {
      draft: undefined,
      problems:
        problems.length > 0
          ? problems
          : [
              {
                line: 1,
                column: 1,
                message: 'There are no notes yet: letters C to B and c to b, bars with |.',
              },
            ],
    };
  if (voices.length > MOST_VOICES) complain(0, `Up to ${MOST_VOICES} voices can be read.`);
  const [first, ...others] = voices;
  others.forEach((bars, index) => {
    if (bars.length !== first!.length)
      complain(
        bars.at(-1)?.at ?? 0,
        `Voice ${index + 2} has ${bars.length} bars, voice 1 has ${first!.length}.`,
      );
  });
  checkTies(voices, complain);
  const bars = joined(voices, tune.meter, fifthsOf(tune.key), tempoOf(tune.tempo ?? {}), complain);
  return {
    draft: {
      title: tune.title || 'Untitled',
      ...(tune.composer && { composer: tune.composer }),
      bars,
    },
    problems,
  };
};

/** Says where a tie leads to no note of its pitch. */
const checkTies = (
  voices: readonly (readonly VoiceBar[])[],
  complain: (at: number, message: string) => void,
): void => {
  for (const bars of voices) {
    const events = bars.flatMap((bar) => bar.events.map((event) => ({ event, at: bar.at })));
    events.forEach(({ event, at }, index) => {
      if (!event.tiedOn) return;
      const next = events.slice(index + 1).find(({ event: each }) => !each.grace)?.event;
      const isMet = event.pitches.every((pitch) =>
        next?.pitches.some(
          (each) => each.step === pitch.step && each.alter === pitch.alter && each.octave === pitch.octave,
        ),
      );
      if (!isMet) complain(at, 'A tie in this bar leads to no note of the same pitch.');
    });
  }
};

/** The voices as bars; each has the signs of the first voice that has any. */
const joined = (
  voices: readonly (readonly VoiceBar[])[],
  firstMeter: AbcMeter | undefined,
  firstKey: number,
  firstTempo: number | undefined,
  complain: (at: number, message: string) => void,
): readonly BarDraft[] => {
  const count = Math.max(...voices.map((bars) => bars.length));
  let meter = meterOf(firstMeter) ?? { beats: 4, beatType: 4 };
  let ending: string | undefined;
  return Array.from({ length: count }, (_, index): BarDraft => {
    const own = voices.flatMap((bars) => bars[index] ?? []);
    const signs = own[0]!;
    const change = own.find((bar) => bar.meter)?.meter;
    meter = meterOf(change) ?? meter;
    const full = meter.beats / meter.beatType;
    const length = Math.max(...own.map((bar) => bar.length));
    const isFirst = index === 0;
    const isPickup = isFirst && length < full - 1e-6 && count > 1;
    for (const bar of own)
      if (bar.length > full + 1e-6)
        complain(
          bar.at,
          `Bar ${index + 1} holds ${countText(full)}, here are ${countText(bar.length)}. Set a bar line, or M: before it.`,
        );
    const mayBeShort =
      isFirst || index === count - 1 || signs.repeatEnd || signs.repeatStart || signs.endingStops;
    // A voice that ends early lacks a rest; one that is silent lacks nothing.
    for (const bar of mayBeShort ? [] : own)
      if (bar.length < full - 1e-6)
        complain(
          bar.at,
          `Bar ${index + 1} holds ${countText(full)}, here are only ${countText(bar.length)}. Fill it with a rest, such as z.`,
        );
    const starts = signs.endingStarts !== undefined;
    if (starts) ending = signs.endingStarts;
    const stops = ending !== undefined && (signs.endingStops || signs.repeatEnd || index === count - 1);
    const bracket =
      ending !== undefined && (starts || stops) ? { numbers: ending, starts, stops } : undefined;
    if (stops) ending = undefined;
    const key = own.find((bar) => bar.key)?.key;
    const tempo = own.find((bar) => bar.tempo !== undefined)?.tempo ?? (isFirst ? firstTempo : undefined);
    const dynamics = own.find((bar) => bar.dynamics)?.dynamics;
    return {
      ...(isFirst || change ? { meter } : {}),
      ...(isFirst ? { key: firstKey } : key ? { key: fifthsOf(key) } : {}),
      ...(isPickup && { pickup: true }),
      ...(signs.repeatStart && { repeatStart: true }),
      ...(signs.repeatEnd && { repeatEnd: 2 }),
      ...(bracket && { ending: bracket }),
      ...(signs.barline
        ? { barline: signs.barline }
        : index === count - 1 && !signs.repeatEnd
          ? { barline: 'final' as const }
          : {}),
      ...(tempo !== undefined && tempo >= 10 && tempo <= 400 && { tempo }),
      ...(dynamics !== undefined && { dynamics }),
      voices: voices.map((bars) =>
        (bars[index]?.events ?? []).map((event) => ({
          ...event,
          ...(voices.length > 1 && {
            stem: voices.indexOf(bars) === 0 ? ('up' as const) : ('down' as const),
          }),
        })),
      ),
    };
  });
};
