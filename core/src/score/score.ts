import type { Branded } from '../music/branded.ts';
import type { Meter } from '../music/meter.ts';
import type { Midi, PitchSpelling } from '../music/pitch.ts';
import type { Ticks } from '../music/time.ts';

/**
 * Stable name of a note: bar index, voice, onset in the bar, sounding pitch, ordinal among equals
 * (`3:1:3/2:54:0`). The same after every import of the same music.
 */
export type NoteId = Branded<string, 'NoteId'>;
export type VoiceName = string;

/** Position of a note in `Score.notes`. */
export type NoteIndex = number;

export type SlurKind = 'slur' | 'hammer-on' | 'pull-off';

export const STRUM_DIRECTIONS = ['outward', 'back'] as const;
/** From the bass strings to the treble strings, or from the treble back to the bass. */
export type StrumDirection = (typeof STRUM_DIRECTIONS)[number];

/** What the source file itself says about how a note is fingered. */
export interface SourceFingering {
  readonly finger?: number;
  readonly string?: number;
  /** Kept for harmonics alone, whose pitch does not tell it. */
  readonly fret?: number;
  readonly pluck?: string;
  /** Fingering that the planner does not use (exchanges, alternatives, several at once, the thumb), as the source shows it. */
  readonly other?: readonly string[];
}

export type HarmonicKind = 'natural' | 'artificial';

/** One printed notehead. Times in ticks of the score. */
export interface Note {
  readonly id: NoteId;
  readonly index: NoteIndex;
  readonly bar: number;
  readonly voice: VoiceName;
  /** From the start of the piece. */
  readonly onset: Ticks;
  /** Written length; 0 for a grace note. */
  readonly duration: Ticks;
  /** As printed on the staff (an octave above what sounds). */
  readonly written: PitchSpelling;
  /** As it sounds. */
  readonly sounding: PitchSpelling;
  readonly midi: Midi;
  readonly grace: boolean;
  /** The notehead this one is tied to, when it is not struck again. */
  readonly tiedFrom?: NoteIndex;
  /** The note from which a technical slur leads to this one. */
  readonly slurredFrom?: { readonly note: NoteIndex; readonly kind: SlurKind };
  /** The note from which an audible slide leads to this one. */
  readonly slideFrom?: NoteIndex;
  readonly harmonic?: HarmonicKind;
  /** Written to ring on (l.v.), beyond its length. */
  readonly letRing: boolean;
  readonly arpeggiated: boolean;
  /** How the chord is brushed when the source says so: a plectrum sign, or a roll toward the bass. */
  readonly strum?: StrumDirection;
  readonly articulations: readonly string[];
  readonly ornaments: readonly string[];
  readonly fingering: SourceFingering;
}

export type Stem = 'up' | 'down' | 'none';
export const NOTE_TYPES = [
  'maxima',
  'long',
  'breve',
  'whole',
  'half',
  'quarter',
  'eighth',
  '16th',
  '32nd',
  '64th',
  '128th',
] as const;
export type NoteType = (typeof NOTE_TYPES)[number];

export interface TupletRatio {
  readonly actual: number;
  readonly normal: number;
}

/** A chord, a single note, a rest or an invisible gap in one voice of one bar. */
export interface VoiceEvent {
  readonly kind: 'notes' | 'rest' | 'space';
  /** Ascending in pitch; empty for rests and gaps. */
  readonly notes: readonly NoteIndex[];
  readonly onset: Ticks;
  readonly duration: Ticks;
  readonly type: NoteType;
  readonly dots: number;
  readonly ratio?: TupletRatio;
  readonly tuplet?: 'start' | 'stop';
  readonly stem?: Stem;
  /** Beam of the first level, as written. */
  readonly beam?: 'begin' | 'continue' | 'end';
  readonly grace: boolean;
  readonly wholeBarRest: boolean;
  readonly fermata: boolean;
}

export interface BarVoice {
  readonly name: VoiceName;
  readonly events: readonly VoiceEvent[];
}

export type Navigation = 'segno' | 'coda' | 'fine' | 'da-capo' | 'dal-segno' | 'to-coda';
/** Jumps that are printed as words at the end of their bar; the others are signs at its start. */
export const NAVIGATION_WORDS: Readonly<Partial<Record<Navigation, string>>> = {
  fine: 'Fine',
  'da-capo': 'D.C.',
  'dal-segno': 'D.S.',
  'to-coda': 'To Coda',
};

export interface Bar {
  readonly index: number;
  /** As printed; an upbeat is often 0 or X1. */
  readonly number: string;
  readonly start: Ticks;
  readonly length: Ticks;
  readonly meter: Meter;
  /** The meter is printed here. */
  readonly meterChange: boolean;
  /** Sharps (positive) or flats (negative). */
  readonly key: number;
  readonly keyChange: boolean;
  readonly mode: 'major' | 'minor' | undefined;
  readonly pickup: boolean;
  readonly repeatStart: boolean;
  readonly repeatEnd: boolean;
  readonly repeatTimes: number;
  readonly ending?: { readonly numbers: string; readonly starts: boolean; readonly stops: boolean };
  readonly barline: 'regular' | 'double' | 'final';
  readonly navigation: readonly Navigation[];
  readonly voices: readonly BarVoice[];
}

/** Words, dynamics and tempo marks standing at a moment. */
export interface Direction {
  readonly kind: 'words' | 'dynamics' | 'tempo' | 'rehearsal';
  readonly bar: number;
  readonly onset: Ticks;
  readonly text: string;
}

export interface TempoMark {
  readonly onset: Ticks;
  readonly quartersPerMinute: number;
}

/** A piece that can be computed on: exact times, sounding pitches, voices, bars. */
export interface Score {
  readonly title: string;
  readonly composer: string;
  readonly ticksPerQuarter: number;
  readonly bars: readonly Bar[];
  readonly notes: readonly Note[];
  /** Places in `notes` by their names. */
  readonly indexOf: ReadonlyMap<NoteId, NoteIndex>;
  readonly directions: readonly Direction[];
  /** Notes at which the source writes a position or a barre. */
  readonly positionsWritten: readonly NoteIndex[];
  /** Ascending, never empty: the first stands at 0. */
  readonly tempi: readonly TempoMark[];
  /** Open strings ① to ⑥ as the source gives them, when it does. */
  readonly tuning?: readonly Midi[];
  readonly capo: number;
}

/** Places of notes by their names, for `Score.indexOf`. */
export const indexById = (notes: readonly Note[]): ReadonlyMap<NoteId, NoteIndex> =>
  new Map(notes.map(({ id, index }) => [id, index]));

/** The note of a name; undefined when the score has none. */
export const noteById = ({ notes, indexOf }: Score, id: NoteId | undefined): Note | undefined =>
  id === undefined ? undefined : notes[indexOf.get(id) ?? -1];

/** The printed name of a bar for messages: its number, or its place when the number is not one. */
export const barLabel = (bar: Pick<Bar, 'index' | 'number'>): string =>
  bar.number === '' ? `#${bar.index + 1}` : bar.number;
