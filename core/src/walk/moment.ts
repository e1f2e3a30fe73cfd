import type { StrokeFinger } from '../fingering/vocabulary.ts';
import type { PitchSpelling } from '../music/pitch.ts';
import type { StrumDirection } from '../score/score.ts';
import type { Barre } from '../technique/barres.ts';
import type { DampingGrade, DampingMeans } from '../technique/damping.ts';
import type { HoldKind } from '../technique/guides.ts';
import type { PreparationKind } from '../technique/preparation.ts';
import type { ShiftRide } from '../technique/shifts.ts';

/** A note where the plan has it. */
export interface PlacedNote {
  readonly sound: number;
  readonly finger: number;
  readonly string: number;
  readonly fret: number;
  readonly pitch: PitchSpelling;
}

/** What each kind of moment tells. Bars are counted from 0, times are ticks from the start of the piece. */
export interface MomentValues {
  /** The hand lies in its first position. */
  position: { readonly position: number; readonly lead: PlacedNote | undefined };
  shift: {
    readonly from: number;
    readonly to: number;
    readonly rides: ShiftRide;
    /** The open string that rings meanwhile, when it rides on one. */
    readonly ringing: PlacedNote | undefined;
    /** The finger that glides with the hand, when it rides on one; its fret before. */
    readonly glidesFrom: number | undefined;
    /** A note that has to be let go early for it. */
    readonly cuts: PlacedNote | undefined;
    /** The first finger to arrive; undefined when a barre is laid there or nothing is stopped. */
    readonly lead: PlacedNote | undefined;
  };
  /** A finger leads along its string without a change of position. */
  guide: { readonly lead: PlacedNote; readonly fromFret: number; readonly isHeard: boolean };
  barre: Pick<Barre, 'fret' | 'finger' | 'strings'> & {
    /** Whether its base lifts for an open string, or over how many strings it lies. */
    readonly lies: 'hinge' | 'full' | 'partial';
    readonly until: number;
    /** Lies to the end of the piece. */
    readonly isLast: boolean;
    readonly isLaidDown: boolean;
    /** May be let go before the hand leaves it. */
    readonly mayGo: boolean;
  };
  keep: { readonly note: PlacedNote; readonly kind: HoldKind | 'sounds'; readonly until: number };
  /** Fingers set at once, though their notes follow one after the other. */
  block: { readonly notes: readonly PlacedNote[]; readonly chord: string | undefined };
  /** A finger that goes down ahead of its note. */
  early: {
    readonly note: PlacedNote;
    readonly how: PreparationKind;
    readonly sounds: number;
    readonly pullsOff: boolean;
  };
  /** A place that a reader would not expect; the note that keeps the usual string busy, if that is why. */
  place: {
    readonly note: PlacedNote;
    readonly busy: { readonly string: number; readonly pitch: PitchSpelling } | undefined;
  };
  /** Another finger than the one of its fret, because that one is held. */
  finger: { readonly note: PlacedNote; readonly instead: number; readonly on: PlacedNote };
  /** The right hand begins a pattern, takes it up again, or leaves it for once. */
  pattern: {
    readonly order: readonly StrokeFinger[];
    readonly is: 'begins' | 'returns' | 'once';
    readonly isTremolo: boolean;
  };
  /** The fingers alternate in a line. */
  alternate: { readonly order: readonly StrokeFinger[] };
  /** The finger that the next downbeat needs does not play before it. */
  reserve: { readonly finger: StrokeFinger; readonly until: number };
  crossing: { readonly note: PlacedNote; readonly finger: StrokeFinger; readonly after: StrokeFinger };
  strum: { readonly direction: StrumDirection; readonly finger: StrokeFinger };
  harmonic: { readonly note: PlacedNote; readonly node: number; readonly by: 'left' | 'right-index' };
  damp: {
    readonly string: number;
    readonly pitch: PitchSpelling;
    readonly into: PitchSpelling | undefined;
    readonly grade: DampingGrade;
    readonly means: DampingMeans;
    /** How many basses in a row are stopped alike. */
    readonly run: number;
  };
  /** A note that ends before its time is over, because no hand could hold it or the teacher wants it so. */
  cut: { readonly note: PlacedNote; readonly until: number; readonly isWanted: boolean };
  /** A finger lifts where a rest begins: what it stops must not sound into it. */
  lift: { readonly note: PlacedNote };
  /** The next note is lower but lies on a higher string. */
  stumble: { readonly note: PlacedNote };
  /** A stretch that not every hand has. */
  stretch: { readonly lower: number; readonly higher: number };
  /** A barre that tires. */
  tiring: { readonly fret: number };
  upbeat: Record<never, never>;
  /** A dotted note that must not shrink, though the hand moves before its short note or right after it. */
  dotted: { readonly pitch: PitchSpelling; readonly before: 'short' | 'next' };
  slur: { readonly from: PlacedNote; readonly to: PlacedNote; readonly rising: boolean };
  /** Bars that are played as before. */
  return: { readonly to: number; readonly like: number; readonly likeTo: number };
}
export type MomentKind = keyof MomentValues;

interface At {
  readonly bar: number;
  /** Ticks from the start of the piece. */
  readonly onset: number;
  /** Is told whatever else happens in its bar. */
  readonly isNeeded: boolean;
}

/** Something that happens to a hand at a moment of a piece, from which every description is made. */
export type Moment = {
  [Kind in MomentKind]: At & { readonly kind: Kind; readonly values: MomentValues[Kind] };
}[MomentKind];
export type MomentOf<Kind extends MomentKind> = Extract<Moment, { kind: Kind }>;

/** What a moment says there, without the numbers by which one plan knows its notes. */
export const factsOf = ({ values }: Moment): unknown =>
  JSON.parse(JSON.stringify(values, (key, value: unknown) => (key === 'sound' ? undefined : value)));

/** What matters most first; what earns a sentence before what. */
export const IMPORTANCE: readonly MomentKind[] = [
  'return',
  'position',
  'shift',
  'guide',
  'barre',
  'keep',
  'cut',
  'block',
  'early',
  'finger',
  'place',
  'pattern',
  'strum',
  'harmonic',
  'crossing',
  'damp',
  'lift',
  'stumble',
  'stretch',
  'tiring',
  'upbeat',
  'dotted',
  'reserve',
  'alternate',
  'slur',
];
