import type { Meter } from '../music/meter.ts';
import { parsePitch, type PitchSpelling } from '../music/pitch.ts';
import type { BarDraft, EventDraft, PieceDraft } from '../score/draft/draft.ts';
import type { NoteType, SourceFingering, Stem } from '../score/score.ts';

/**
 * A small text notation for music. Bars are separated by `|`, voices stand in lines of their own. A token is
 * `pitches/length`, with sounding pitches joined by `+`:
 *
 *     E4/4  G3+B3/8  C3/2.  -/4 (rest)  E4/8t (triplet)  F4/8~ (tied on)
 *     E4/8( F4/8) (slur)   E4/8{finger=1,string=2,pluck=i}
 */
export interface SmallNotation {
  readonly title?: string;
  readonly composer?: string;
  readonly meter?: Meter;
  /** Sharps or flats. */
  readonly key?: number;
  readonly tempo?: number;
  /** Voice 1 first; stems up for the first, down for the second when there are two. */
  readonly voices: readonly string[];
  /** Bars (from 1) that begin or end a repeat. */
  readonly repeats?: readonly { readonly from: number; readonly to: number }[];
  /** The first bar is an upbeat. */
  readonly pickup?: boolean;
  /** Words or dynamics above a bar (from 1). */
  readonly words?: Readonly<Record<number, string>>;
  readonly dynamics?: Readonly<Record<number, string>>;
}

const TYPES: Readonly<Record<string, NoteType>> = {
  '1': 'whole',
  '2': 'half',
  '4': 'quarter',
  '8': 'eighth',
  '16': '16th',
  '32': '32nd',
};
const TOKEN = /^([A-G#b\d+-]+)\/(\d+)(\.*)(t?)(~?)(\(?)(\)?)(?:\{([^}]*)\})?$/;
const TRIPLET = { actual: 3, normal: 2 } as const;

const readPitch = (text: string): PitchSpelling => {
  const pitch = parsePitch(text);
  if (!pitch) throw new RangeError(`not a pitch: ${text}`);
  return pitch;
};

const readFingering = (text: string): SourceFingering => {
  const { finger, string, fret, pluck } = Object.fromEntries(
    text
      .split(',')
      .filter(Boolean)
      .map((pair) => pair.split('=') as [string, string]),
  ) as Readonly<Record<string, string | undefined>>;
  return {
    ...(finger !== undefined && (/^\d$/.test(finger) ? { finger: Number(finger) } : { other: [finger] })),
    ...(string !== undefined && { string: Number(string) }),
    ...(fret !== undefined && { fret: Number(fret) }),
    ...(pluck !== undefined && { pluck }),
  };
};

const readToken = (text: string, stem: Stem | undefined): EventDraft => {
  const found = TOKEN.exec(text);
  const type = found && TYPES[found[2]!];
  if (!found || !type) throw new RangeError(`not a token of the small notation: ${text}`);
  const [, names, , dots, triplet, tied, slurStart, slurStop, fingering] = found;
  const pitches = names === '-' ? [] : names!.split('+').map(readPitch);
  return {
    pitches,
    type,
    ...(dots && { dots: dots.length }),
    ...(triplet && { ratio: TRIPLET }),
    ...(tied && pitches.length > 0 && { tiedOn: true }),
    ...((slurStart || slurStop) && {
      slur: slurStart && slurStop ? 'stop-and-start' : slurStart ? 'start' : 'stop',
    }),
    ...(stem && pitches.length > 0 && { stem }),
    ...(fingering && { fingering: [readFingering(fingering)] }),
  };
};

/** The draft that a text stands for; throws `RangeError` for a token that is none. */
export const readSmallNotation = (notation: SmallNotation): PieceDraft => {
  const { title = 'Example', composer = 'Anon.', voices, repeats = [], pickup = false } = notation;
  const stemOf = (voice: number): Stem | undefined =>
    voices.length < 2 ? undefined : voice === 0 ? 'up' : 'down';
  const lines = voices.map((line, voice) =>
    line.split('|').map((bar) =>
      bar
        .trim()
        .split(/\s+/)
        .filter(Boolean)
        .map((token) => readToken(token, stemOf(voice))),
    ),
  );
  const count = lines[0]!.length;
  const bars = Array.from({ length: count }, (_, index): BarDraft => {
    const number = index + 1;
    const words = notation.words?.[number];
    const dynamics = notation.dynamics?.[number];
    return {
      voices: lines.map((line) => line[index] ?? []),
      ...(index === 0 && { meter: notation.meter ?? { beats: 4, beatType: 4 }, key: notation.key ?? 0 }),
      ...(index === 0 && notation.tempo && { tempo: notation.tempo }),
      ...(index === 0 && pickup && { pickup: true }),
      ...(repeats.some(({ from }) => from === number) && { repeatStart: true }),
      ...(repeats.some(({ to }) => to === number) && { repeatEnd: 2 }),
      ...(index === count - 1 && { barline: 'final' as const }),
      ...(words !== undefined && { words }),
      ...(dynamics !== undefined && { dynamics }),
    };
  });
  return { title, composer, bars };
};
