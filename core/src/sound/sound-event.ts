import type { StrokeFinger } from '../fingering/vocabulary.ts';
import type { Role } from '../right/events/roles.ts';
import type { StrumDirection } from '../score/score.ts';
import type { DampingMeans } from '../technique/damping.ts';

/** Where and when something happens to a string; ms from the start of what is played. */
interface At {
  readonly ms: number;
  /** ① to ⑥ as 1 to 6. */
  readonly string: number;
  /** Sound of the plan. */
  readonly sound: number;
  /** Set where a sound lasts as written although its string is played again: it sounds on beside it. */
  readonly beside?: true;
}

/** What is common to everything that makes a string sound. */
interface Begins extends At {
  readonly fret: number;
  /** Pitch in semitones as in MIDI; harmonics lie between those of the frets. */
  readonly midi: number;
  /** Pitch of the open string. */
  readonly open: number;
  /** 0 to 1. */
  readonly strength: number;
  readonly voice: string;
  readonly role: Role;
}

/** By whom a string is silenced: the plan's means, a planting finger, a barre that covers it. */
export type DampedBy = DampingMeans | 'planting' | 'barre';

/** Something that happens to one string when a piece is played. */
export type SoundEvent =
  | (Begins & {
      readonly kind: 'pluck';
      readonly finger: StrokeFinger | undefined;
      readonly stroke: 'free' | 'rest';
      /** Part of a strum or a roll. */
      readonly strum?: StrumDirection;
    })
  | (Begins & { readonly kind: 'hammer-on' | 'pull-off' })
  | (Begins & { readonly kind: 'slide'; readonly fromFret: number; readonly fromMidi: number })
  | (Begins & { readonly kind: 'harmonic'; readonly finger: StrokeFinger | undefined; readonly node: number })
  | (At & { readonly kind: 'damp'; readonly by: DampedBy })
  | (At & { readonly kind: 'lift' });

/** What makes a string sound. */
export type BeginEvent = Extract<SoundEvent, { fret: number }>;
export const begins = (event: SoundEvent): event is BeginEvent => 'fret' in event;

/** A bar as it is played; ms. */
export interface PlayedSpan {
  /** Counted from 0. */
  readonly bar: number;
  /** Which time it is played, from 1. */
  readonly pass: number;
  readonly from: number;
  readonly to: number;
}

/** A moment at which something begins: its ms, and its tick on the page. */
export interface SoundStep {
  readonly ms: number;
  readonly onset: number;
  /** Whether the hand changes its position for it. */
  readonly isShift: boolean;
}

/** A piece as it is heard, in the order in which it is played. */
export interface SoundPlan {
  readonly events: readonly SoundEvent[];
  readonly bars: readonly PlayedSpan[];
  readonly steps: readonly SoundStep[];
  /** Beats of the meter, for counting and clicking: ms, and whether one begins a bar. */
  readonly beats: readonly { readonly ms: number; readonly isFirst: boolean }[];
  /** Until the last bar has been played, ms. */
  readonly length: number;
}
