import type { LeftPlan } from '../../left/left-plan.ts';

/** What a note is in the texture: the bass, a filling between bass and tune, the tune, or part of the one voice there is. */
export type Role = 'bass' | 'inner' | 'melody' | 'only';

/** Strings from here on are the thumb's. Handbook §4. */
export const FIRST_BASS_STRING = 4;
/** A note that leaps so far up from the bass, in semitones, fills the harmony; a nearer one is the bass that moves. Our own value. */
const LEAP_FROM_BASS = 3;

interface Voice {
  readonly name: string;
  readonly average: number;
}

/** Voices from the lowest to the highest, by their average pitch. */
const voicesOf = ({ sounds }: LeftPlan): readonly Voice[] => {
  const sums = new Map<string, { sum: number; count: number }>();
  for (const { voice, midi } of sounds) {
    const entry = sums.get(voice) ?? { sum: 0, count: 0 };
    sums.set(voice, { sum: entry.sum + midi, count: entry.count + 1 });
  }
  return [...sums]
    .map(([name, { sum, count }]) => ({ name, average: sum / count }))
    .sort((a, b) => a.average - b.average);
};

/** The voice with the lowest average pitch, when there are several. */
export const bassVoice = (plan: LeftPlan): string | undefined => {
  const voices = voicesOf(plan);
  return voices.length < 2 ? undefined : voices[0]!.name;
};

/** The roles of all sounds of a plan, and where a tune shares the hand with what fills the harmony below it. */
export interface Roles {
  readonly of: readonly Role[];
  /** By bar: whether something is plucked there between the bass and the tune. */
  readonly hasInner: ReadonlySet<number>;
}

/**
 * The role of every sound. The lowest voice is the bass; where it moves more often than the tune above it, or strikes
 * several notes at once, those on the treble strings that leap up from the bass fill the harmony, though their stems point
 * down.
 */
export const rolesOf = (plan: LeftPlan): Roles => {
  const voices = voicesOf(plan);
  const hasInner = new Set<number>();
  if (voices.length < 2) return { of: plan.sounds.map(() => 'only' as const), hasInner };
  const bass = voices[0]!.name;
  const tune = voices.at(-1)!.name;
  const onsets = new Map<string, Set<number>>();
  for (const { bar, onset, voice } of plan.sounds) {
    const key = `${bar} ${voice}`;
    onsets.set(key, (onsets.get(key) ?? new Set()).add(onset));
  }
  const struckTogether = new Map<string, number>();
  for (const { onset, voice } of plan.sounds) {
    const key = `${onset} ${voice}`;
    struckTogether.set(key, (struckTogether.get(key) ?? 0) + 1);
  }
  const isDyad = ({ onset, voice }: { onset: number; voice: string }): boolean =>
    struckTogether.get(`${onset} ${voice}`)! > 1;
  /** By bar: the bass that sounded last, as its pitch. */
  let lastBass: number | undefined;
  let lastBar = -1;
  const roles = plan.sounds.map((): Role => 'melody');
  for (const sound of plan.sounds.toSorted((a, b) => a.onset - b.onset || a.midi - b.midi)) {
    const { bar, index, midi, voice } = sound;
    if (bar !== lastBar) lastBass = undefined;
    lastBar = bar;
    const string = plan.choices[index]?.string ?? FIRST_BASS_STRING;
    const moves = (name: string): number => onsets.get(`${bar} ${name}`)?.size ?? 0;
    if (voice === bass) {
      const fills =
        string < FIRST_BASS_STRING &&
        (moves(bass) > moves(tune) || isDyad(sound)) &&
        (lastBass === undefined ? isAnswer(plan, sound.onset, bar) : midi - lastBass >= LEAP_FROM_BASS);
      roles[index] = fills ? 'inner' : 'bass';
      if (!fills) lastBass = midi;
    } else if (voice !== tune) roles[index] = 'inner';
    if (roles[index] === 'inner') hasInner.add(bar);
  }
  return { of: roles, hasInner };
};

/** Whether a note does not begin its bar: the bass rests, and something else answers. */
const isAnswer = ({ piece }: LeftPlan, onset: number, bar: number): boolean =>
  onset > piece.score.bars[bar]!.start;
