import type { FindingKey } from '../fingering/fingering.ts';
import type { StrokeFinger } from '../fingering/vocabulary.ts';
import type { BrokenRule } from '../left/left-plan.ts';
import type { PitchSpelling } from '../music/pitch.ts';
import type { NoteId } from '../score/score.ts';
import type { DampingMeans } from '../technique/damping.ts';
import type { SlurTrouble } from '../technique/slurs.ts';

/** Why a note has no place among those struck with it. */
export type Unplayable =
  | { readonly kind: 'nowhere'; readonly pitch: PitchSpelling }
  | { readonly kind: 'one-string'; readonly pitches: readonly PitchSpelling[]; readonly string: number }
  | { readonly kind: 'too-far'; readonly pitches: readonly PitchSpelling[] }
  | { readonly kind: 'too-many-strings' | 'too-many-fingers' | 'fixed-around' };

/** What a finding about one note alone tells: the note. */
interface OfNote {
  readonly pitch: PitchSpelling;
}

/** What each finding tells beside its place. Distances in mm, times as named, prices in units of effort. */
export interface FindingValues {
  'unplayable-note': OfNote & { readonly why: Unplayable };
  'lock-not-kept': OfNote;
  'held-note-cut': OfNote;
  'rule-not-kept': OfNote & { readonly rule: BrokenRule['kind'] };
  /** Printed numbers of both bars; no price where what surrounds the bar does not allow the same. */
  'return-differs': { readonly bar: string; readonly like: string; readonly price: number | undefined };
  'pluck-lock-not-kept': OfNote;
  'school-not-kept': OfNote;
  'pattern-not-kept': OfNote & { readonly finger: StrokeFinger };
  'search-not-exhaustive': Record<never, never>;
  'gap-at-shift': OfNote & {
    readonly from: number;
    readonly to: number;
    readonly mm: number;
    readonly ms: number;
  };
  'upbeat-torn': Record<never, never>;
  /** The shift comes before the short note of a dotted rhythm, or before the note after it. */
  'dotted-shrinks': OfNote & { readonly before: 'short' | 'next' };
  'lower-on-higher-string': OfNote;
  'finger-needed-twice': OfNote & { readonly finger: number };
  'wide-stretch': { readonly lower: number; readonly higher: number; readonly mm: number };
  'barre-too-long': { readonly fret: number; readonly seconds: number };
  'slur-trouble': OfNote & { readonly trouble: SlurTrouble };
  'string-left-ringing': OfNote & {
    readonly string: number;
    readonly into: 'rest' | 'bass';
    readonly means: DampingMeans;
  };
  'crossing-where-busy': OfNote;
  'repeat-at-speed': OfNote & { readonly finger: StrokeFinger; readonly ms: number };
  'open-for-stopped': OfNote & { readonly finger: number };
  'stopped-for-open': OfNote & { readonly finger: number };
  'position-mark-missing': OfNote & { readonly position: number };
  'source-unplayable': OfNote;
  /** Printed numbers of the bars before and after a jump; the shift it asks for, where that is the trouble. */
  'jump-not-made': OfNote & {
    readonly after: string;
    readonly to: string;
    readonly shift:
      { readonly from: number; readonly to: number; readonly mm: number; readonly ms: number } | undefined;
  };
}
export type FindingCode = keyof FindingValues;

export const SEVERITIES = ['error', 'warning', 'remark'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** How much each finding matters; a slur on the weakest pair of fingers matters less than one that cannot be played. */
export const FINDING_SEVERITIES: Readonly<Record<FindingCode, Severity>> = {
  'unplayable-note': 'error',
  'lock-not-kept': 'warning',
  'held-note-cut': 'warning',
  'rule-not-kept': 'warning',
  'return-differs': 'remark',
  'pluck-lock-not-kept': 'warning',
  'school-not-kept': 'warning',
  'pattern-not-kept': 'warning',
  'search-not-exhaustive': 'remark',
  'gap-at-shift': 'remark',
  'upbeat-torn': 'remark',
  'dotted-shrinks': 'remark',
  'lower-on-higher-string': 'remark',
  'finger-needed-twice': 'remark',
  'wide-stretch': 'remark',
  'barre-too-long': 'remark',
  'slur-trouble': 'warning',
  'string-left-ringing': 'remark',
  'crossing-where-busy': 'remark',
  'repeat-at-speed': 'remark',
  'open-for-stopped': 'remark',
  'stopped-for-open': 'remark',
  'position-mark-missing': 'remark',
  'source-unplayable': 'warning',
  'jump-not-made': 'warning',
};
export const FINDING_CODES = Object.keys(FINDING_SEVERITIES) as readonly FindingCode[];

/** A code with the values that belong to it. */
export type FindingSubject = {
  [Code in FindingCode]: { readonly code: Code; readonly values: FindingValues[Code] };
}[FindingCode];

/** Something to tell of one sound of a plan. */
export type SoundFinding = FindingSubject & { readonly sound: number };

/** Something a teacher should know about a plan, anchored to a note. The sentence is made by `wording`. */
export type Finding = FindingSubject & {
  readonly severity: Severity;
  readonly note: NoteId | undefined;
  readonly bar: number;
  /** Printed number of the bar. */
  readonly number: string;
  /** Ticks from the start of the bar. */
  readonly beat: number;
  /** The beat as it is counted, from 1 in the unit of the meter: `3½`; undefined for the whole piece. */
  readonly count: string | undefined;
};

/** What a finding is known by when the next plan has it too. */
export const findingKey = ({ code, note }: Pick<Finding, 'code' | 'note'>): FindingKey =>
  `${code}@${note ?? 'piece'}` as FindingKey;
