import type { Midi, PitchSpelling } from '../music/pitch.ts';
import type { Meter } from '../music/meter.ts';
import type { NoteType } from '../score/score.ts';

export interface PartName {
  readonly id: string;
  readonly name: string;
}

/** A note of the file, as a reader can find it: printed bar, number of the voice. */
type InVoice = {
  readonly bar: string;
  readonly voice: string;
};
type Nothing = Record<never, never>;

/** What is told with each reason why a file could not be read. */
export interface ImportProblemValues {
  empty: Nothing;
  /** Sizes in megabytes. */
  'too-large': { readonly what: 'file' | 'archive' | 'unpacked'; readonly most: number };
  /** Reading took longer, in seconds, or more memory than is allowed. */
  'too-much-work': { readonly seconds: number };
  busy: Nothing;
  undecodable: {
    readonly encoding: string;
    readonly isKnown: boolean;
    /** Line of the file, when it is known. */
    readonly line: number | undefined;
  };
  'damaged-archive': Nothing;
  'no-score-in-archive': Nothing;
  /** The detail is what the parser says, in English. */
  'not-xml': { readonly line: number; readonly detail: string; readonly looksLikeXml: boolean };
  'not-musicxml': { readonly root: string };
  /** A part is named when it was asked for. */
  'no-notes': { readonly part: string | undefined };
  'choose-part': { readonly wanted: string | undefined; readonly parts: readonly PartName[] };
  'bad-note': InVoice & { readonly line: number };
  'below-range': InVoice & { readonly pitch: PitchSpelling; readonly needsSeventh: boolean };
  'above-range': InVoice & { readonly pitch: PitchSpelling };
}
export type ImportProblemCode = keyof ImportProblemValues;

/** Why a file could not be read, by code and values; `wording` names the place and the remedy. */
export type ImportProblem = {
  [Code in ImportProblemCode]: { readonly code: Code; readonly values: ImportProblemValues[Code] };
}[ImportProblemCode];

type AtNote = InVoice & {
  /** Quarters from the start of the bar, as `3/2`. */
  readonly beat: string;
};
type InBars = {
  /** Printed numbers, all of them. */
  readonly bars: readonly string[];
};
type BarFill = {
  readonly bar: string;
  /** Quarters that stand in the bar, and that its meter has room for. */
  readonly holds: string;
  readonly room: string;
  readonly meter: Meter;
};

/** What is told with each thing that was mended or left out while reading. */
export interface RepairValues {
  'bar-too-full': BarFill & { readonly voice: string };
  'bar-not-full': BarFill;
  /** The printed value that was taken instead; without one it was a quarter. */
  'missing-duration': InVoice & { readonly type: NoteType | undefined };
  'missing-divisions': { readonly bar: string };
  'unknown-string': AtNote & { readonly string: number };
  'unreachable-string': AtNote & { readonly string: number; readonly open: Midi };
  'wrong-fret': AtNote & { readonly string: number; readonly fret: number };
  'tuning-lowered': { readonly bar: string; readonly pitch: PitchSpelling };
  'unpitched-left-out': InBars;
  'tie-without-start': InVoice;
  'rounded-time': { readonly bar: string };
  'number-out-of-range': {
    readonly bar: string;
    readonly name: string;
    readonly text: string;
    readonly line: number;
  };
  'octave-settled': { readonly by: 'frets' | 'range'; readonly standsAsSounding: boolean };
  'tuning-read': { readonly tuning: readonly Midi[] };
  'tuning-corrected': { readonly tuning: readonly Midi[]; readonly isStandard: boolean };
  'capo-fingered': { readonly capo: number };
  'cue-left-out': InBars;
  'hidden-left-out': InBars;
  'quarter-tone': InBars;
  simile: InBars;
  'seven-strings': Nothing;
}
export type RepairCode = keyof RepairValues;

/** Something that was mended or left out while reading, for the teacher to know. */
export type Repair = {
  [Code in RepairCode]: { readonly code: Code; readonly values: RepairValues[Code] };
}[RepairCode];
