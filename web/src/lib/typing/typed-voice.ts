import type { EventDraft, PitchSpelling } from '@oculon/core';
import type { AbcBar, AbcElement, AbcKey, AbcMeter, AbcNote, AbcPitch } from './abc-tune.ts';

/** Lengths in shares of a whole note and how they are written. */
const TYPES = [
  ['whole', 1],
  ['half', 1 / 2],
  ['quarter', 1 / 4],
  ['eighth', 1 / 8],
  ['16th', 1 / 16],
  ['32nd', 1 / 32],
] as const;
const DOTTED = [1, 1.5, 1.75] as const;
const STEPS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'] as const;
const ALTERS: Readonly<Record<string, number>> = { sharp: 1, flat: -1, natural: 0, dblsharp: 2, dblflat: -2 };
const ARTICULATIONS: ReadonlySet<string> = new Set(['staccato', 'accent', 'tenuto']);
const DYNAMICS: ReadonlySet<string> = new Set(['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff']);
const FINGERS: ReadonlySet<string> = new Set(['0', '1', '2', '3', '4']);

/** A bar of one voice. */
export interface VoiceBar {
  /** Where it begins in the text. */
  readonly at: number;
  readonly events: readonly EventDraft[];
  /** Its length, in shares of a whole note. */
  readonly length: number;
  readonly meter?: AbcMeter;
  readonly key?: AbcKey;
  readonly tempo?: number;
  readonly dynamics?: string;
  readonly repeatStart: boolean;
  readonly repeatEnd: boolean;
  readonly endingStarts?: string;
  readonly endingStops: boolean;
  readonly barline?: 'double' | 'final';
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] };
type OpenBar = Mutable<Omit<VoiceBar, 'events'>> & { readonly events: EventDraft[] };

const bar = (at: number): OpenBar => ({
  at,
  events: [],
  length: 0,
  repeatStart: false,
  repeatEnd: false,
  endingStops: false,
});

/** Alteration of each step in a key. */
const altersOf = ({ accidentals = [] }: AbcKey): ReadonlyMap<string, number> =>
  new Map(accidentals.map(({ acc, note }) => [note.toUpperCase(), ALTERS[acc] ?? 0]));

/** Sharps (positive) or flats of a key. */
export const fifthsOf = ({ accidentals = [] }: AbcKey): number =>
  accidentals.reduce((sum, { acc }) => sum + (ALTERS[acc] ?? 0), 0);

/** Told of what cannot be written, at a character of the text. */
export type Complaint = (at: number, message: string) => void;

/** Cuts one voice of a tune into bars. Written for the guitar: it sounds an octave lower. */
export const barsOfVoice = (
  elements: readonly AbcElement[],
  firstKey: AbcKey,
  complain: Complaint,
): readonly VoiceBar[] => {
  const bars: VoiceBar[] = [];
  let keyAlters = altersOf(firstKey);
  /** Accidentals that hold in the bar, by diatonic place; those of tied notes hold on. */
  let inBar = new Map<number, number>();
  let tied = new Map<number, number>();
  let ratio: EventDraft['ratio'];
  let open = bar(0);

  const spell = ({ pitch, accidental, endTie }: AbcPitch, at: number): PitchSpelling => {
    if (accidental !== undefined && !(accidental in ALTERS))
      complain(at, 'Quarter tones cannot be read: write a sharp (^), a flat (_) or a natural (=).');
    const step = STEPS[((pitch % 7) + 7) % 7]!;
    const alter =
      accidental !== undefined
        ? (ALTERS[accidental] ?? 0)
        : endTie && tied.has(pitch)
          ? tied.get(pitch)!
          : (inBar.get(pitch) ?? keyAlters.get(step) ?? 0);
    if (accidental !== undefined) inBar.set(pitch, alter);
    return { step, alter, octave: 3 + Math.floor(pitch / 7) };
  };

  const take = (note: AbcNote): void => {
    const { duration, startChar, pitches = [], rest, gracenotes = [], decoration = [] } = note;
    if (
      rest &&
      (rest.type === 'spacer' || rest.type === 'multimeasure' || rest.type === 'invisible-multimeasure')
    ) {
      if (rest.type !== 'spacer') complain(startChar, 'Write the rest of each bar by itself, such as z6.');
      return;
    }
    const shape = TYPES.flatMap(([type, length]) =>
      DOTTED.map((factor, dots) => ({ type, dots, length: length * factor })),
    ).find(({ length }) => Math.abs(length - duration) < 1e-6);
    if (!shape) {
      complain(startChar, 'This length cannot be written as one note. Tie two notes instead, such as A4-A.');
      return;
    }
    if (note.startTriplet !== undefined)
      ratio = {
        actual: note.startTriplet,
        normal: Math.max(1, Math.round(note.startTriplet * (note.tripletMultiplier ?? 2 / 3))),
      };
    for (const grace of gracenotes)
      open.events.push({ pitches: [spell(grace, startChar)], type: 'eighth', grace: true });
    const spelled = pitches.map((each) => spell(each, startChar));
    const startsTie = pitches.some(({ startTie }) => startTie !== undefined);
    tied = new Map(
      pitches.flatMap((each, index) => (each.startTie ? [[each.pitch, spelled[index]!.alter]] : [])),
    );
    const starts = [note, ...pitches].some(({ startSlur }) => startSlur !== undefined);
    const stops = [note, ...pitches].some(({ endSlur }) => endSlur !== undefined);
    const fingers = decoration.filter((each) => FINGERS.has(each));
    const articulations = decoration.filter((each) => ARTICULATIONS.has(each));
    open.dynamics ??= decoration.find((each) => DYNAMICS.has(each));
    open.events.push({
      pitches: rest ? [] : spelled,
      type: shape.type,
      ...(shape.dots > 0 && { dots: shape.dots }),
      ...(ratio && { ratio }),
      ...(note.startTriplet !== undefined
        ? { tuplet: 'start' as const }
        : note.endTriplet
          ? { tuplet: 'stop' as const }
          : {}),
      ...(startsTie && { tiedOn: true }),
      ...((starts || stops) && {
        slur: starts && stops ? ('stop-and-start' as const) : starts ? ('start' as const) : ('stop' as const),
      }),
      ...(decoration.includes('fermata') && { fermata: true }),
      ...(articulations.length > 0 && { articulations }),
      ...(fingers.length > 0 && {
        fingering: spelled.map((_, index) => {
          const finger = fingers[index];
          return finger === undefined ? {} : { finger: Number(finger) };
        }),
      }),
    });
    open.length += duration * (ratio ? ratio.normal / ratio.actual : 1);
    if (note.endTriplet) ratio = undefined;
  };

  const close = (line: AbcBar): void => {
    const { type, startEnding, endEnding } = line;
    const endsRepeat = type === 'bar_right_repeat' || type === 'bar_dbl_repeat';
    if (open.events.length > 0) {
      open.repeatEnd = endsRepeat;
      open.endingStops = endEnding ?? false;
      if (type === 'bar_thin_thick') open.barline = 'final';
      if (type === 'bar_thin_thin') open.barline = 'double';
      bars.push(open);
      open = bar(line.startChar + 1);
      inBar = new Map();
    }
    open.repeatStart ||= type === 'bar_left_repeat' || type === 'bar_dbl_repeat';
    if (startEnding !== undefined) open.endingStarts = startEnding;
  };

  for (const element of elements)
    switch (element.el_type) {
      case 'note':
        if (open.events.length === 0) open.at = element.startChar;
        take(element);
        break;
      case 'bar':
        close(element);
        break;
      case 'key':
        keyAlters = altersOf(element);
        open.key = element;
        break;
      case 'meter':
        open.meter = element;
        break;
      case 'tempo':
        open.tempo = tempoOf(element);
        break;
      default:
        if ((element.el_type as string) === 'overlay')
          complain(element.startChar ?? 0, 'Write a second voice with V:2 on a line of its own, not with &.');
    }
  if (open.events.length > 0) bars.push(open);
  return bars;
};

/** Quarters a minute. */
export const tempoOf = ({
  bpm,
  duration,
}: {
  bpm?: number;
  duration?: readonly number[];
}): number | undefined => (bpm === undefined ? undefined : bpm * (duration?.[0] ?? 1 / 4) * 4);
