import { FIRST_BASS_STRING } from '../right/events/roles.ts';
import { begins, type BeginEvent, type SoundEvent } from './sound-event.ts';

export const BALANCED_PARTS = ['bass', 'inner', 'melody'] as const;
export type BalancedPart = (typeof BALANCED_PARTS)[number];

export const HANDS_HEARD = ['both', 'right', 'left'] as const;
/** Both hands; the right one on open strings; the left one alone, hammering without plucks. */
export type HandsHeard = (typeof HANDS_HEARD)[number];

/** How loud each part of the texture is, 0 to 1.5, and whose hand is heard. */
export interface Balance {
  readonly parts: Readonly<Record<BalancedPart, number>>;
  readonly hands: HandsHeard;
  /** Notes that are held or ring while others begin, and nothing else. */
  readonly heldOnly: boolean;
}

export const PLAIN_BALANCE: Balance = {
  parts: { bass: 1, inner: 1, melody: 1 },
  hands: 'both',
  heldOnly: false,
};

/** How loud a finger is that falls on its string without a pluck, 0 to 1. Our own value. */
const TAP = 0.22;

const partOf = ({ role, string }: BeginEvent): BalancedPart =>
  role === 'only' ? (string >= FIRST_BASS_STRING ? 'bass' : 'melody') : role;

/** What a beginning becomes in a balance; undefined where it is not heard. */
const inBalance = (event: BeginEvent, { parts, hands }: Balance): SoundEvent | undefined => {
  const strength = Math.min(1, event.strength * parts[partOf(event)]);
  if (strength <= 0) return undefined;
  if (hands === 'both') return { ...event, strength };
  if (hands === 'right') {
    const isPlucked = event.kind === 'pluck' || event.kind === 'harmonic';
    return isPlucked ? { ...event, strength, fret: 0, midi: event.open } : undefined;
  }
  if (event.fret === 0) return undefined;
  const { ms, string, sound, fret, midi, open, voice, role } = event;
  return { kind: 'hammer-on', ms, string, sound, fret, midi, open, voice, role, strength: strength * TAP };
};

/** Sounds during which another begins. */
const heldSounds = (events: readonly SoundEvent[]): ReadonlySet<BeginEvent> => {
  const held = new Set<BeginEvent>();
  const open = new Map<number, BeginEvent>();
  for (const event of events) {
    if (!begins(event)) {
      open.delete(event.string);
      continue;
    }
    for (const other of open.values())
      if (other.string !== event.string && other.ms < event.ms) held.add(other);
    open.set(event.string, event);
  }
  return held;
};

/** Events with some parts louder or softer, or one hand alone; what ends them stays. Pure. */
export const balanced = (events: readonly SoundEvent[], balance: Balance): readonly SoundEvent[] => {
  const held = balance.heldOnly ? heldSounds(events) : undefined;
  return events.flatMap((event): SoundEvent[] => {
    if (!begins(event)) return [event];
    const heard = held && !held.has(event) ? undefined : inBalance(event, balance);
    // What is not heard still ends what its string had sounded.
    return [heard ?? { kind: 'lift', ms: event.ms, string: event.string, sound: event.sound }];
  });
};
