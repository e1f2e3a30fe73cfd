import type { Meter } from '../../music/meter.ts';
import type { Midi, PitchSpelling } from '../../music/pitch.ts';
import type {
  HarmonicKind,
  Navigation,
  NoteType,
  SourceFingering,
  Stem,
  StrumDirection,
  TupletRatio,
} from '../score.ts';

/** A chord, a note or a rest in one voice, one after the other. */
export interface EventDraft {
  /** As they sound; none for a rest. */
  readonly pitches: readonly PitchSpelling[];
  readonly type: NoteType;
  readonly dots?: number;
  /** Notes in the time of others: 3 in the time of 2. */
  readonly ratio?: TupletRatio;
  readonly tuplet?: 'start' | 'stop';
  /** Tied on to the same pitches of the next event of the voice. */
  readonly tiedOn?: boolean;
  /** A slur begins or ends here; notes between its ends are slurred too. */
  readonly slur?: 'start' | 'stop' | 'stop-and-start';
  readonly grace?: boolean;
  readonly fermata?: boolean;
  readonly letRing?: boolean;
  readonly stem?: Stem;
  /** What is written at each pitch, in the order of `pitches`. */
  readonly fingering?: readonly SourceFingering[];
  readonly articulations?: readonly string[];
  /** Its pitches are harmonics; where they are touched stands in `fingering`. */
  readonly harmonic?: HarmonicKind;
  /** How the chord is brushed. */
  readonly strum?: StrumDirection;
}

export interface BarDraft {
  /** Printed number; counted from 1 (from 0 after an upbeat) when missing. */
  readonly number?: string;
  /** Meter and key from here on. */
  readonly meter?: Meter;
  readonly key?: number;
  /** Shorter than its meter at the start of the piece or of a part. */
  readonly pickup?: boolean;
  readonly repeatStart?: boolean;
  /** How often the repeat that ends here is played. */
  readonly repeatEnd?: number;
  readonly ending?: { readonly numbers: string; readonly starts: boolean; readonly stops: boolean };
  readonly barline?: 'double' | 'final';
  readonly navigation?: readonly Navigation[];
  readonly words?: string;
  readonly dynamics?: string;
  /** Quarters a minute from here on. */
  readonly tempo?: number;
  /** By voice, the highest first. */
  readonly voices: readonly (readonly EventDraft[])[];
}

/** A piece in the making: nothing is numbered or timed yet. */
export interface PieceDraft {
  readonly title: string;
  readonly composer?: string;
  readonly bars: readonly BarDraft[];
  readonly tuning?: readonly Midi[];
  readonly capo?: number;
}
