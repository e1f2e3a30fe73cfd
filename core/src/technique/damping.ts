import { covers } from '../fingering/rules.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import { bassVoice } from '../right/events/roles.ts';
import type { RightPlan } from '../right/right-plan.ts';
import { THUMB } from '../right/events/ranks.ts';
import type { Performance } from '../performance/performance.ts';
import type { Sounding } from '../performance/sounding.ts';
import type { Sound } from '../score/sounds.ts';

export const DAMPING_GRADES = ['must', 'should', 'may'] as const;
export type DampingGrade = (typeof DAMPING_GRADES)[number];

export const DAMPING_MEANS = [
  'thumb-rest-stroke',
  'thumb-side',
  'palm',
  'left-tip',
  'thumb-back',
  'left-touch',
] as const;
export type DampingMeans = (typeof DAMPING_MEANS)[number];

/** What each way to stop a string costs, in units of effort. Handbook §5; values of our own. */
export const DAMPING_COSTS: Readonly<Record<DampingMeans, number>> = {
  'thumb-rest-stroke': 0.1,
  'thumb-side': 0.3,
  palm: 0.3,
  'left-tip': 0.4,
  'thumb-back': 0.5,
  'left-touch': 0.8,
};

/** An open string that rings on into something it clashes with, and how to stop it. */
export interface Damping {
  readonly sound: number;
  readonly string: number;
  /** Tick at which it should be silent. */
  readonly onset: number;
  readonly slice: number;
  readonly grade: DampingGrade;
  readonly why: 'rest' | 'dissonant-bass' | 'below-the-bass' | 'new-harmony' | 'bass-line';
  readonly means: DampingMeans;
  /** What the means costs, in units of effort. */
  readonly cost: number;
}

/** Seconds, minor and major, sevenths and the tritone, in semitones. */
const DISSONANT = new Set([1, 2, 6, 10, 11]);
/** The basses, whose ringing muddies: ④ ⑤ ⑥. Handbook §5. */
const FIRST_BASS_STRING = 4;
/** Fewer different pitches make no harmony. */
const FEWEST_PITCHES = 3;
/** Time in which the thumb can go back to a string without hurry, in seconds. Our own value. */
const TIME_FOR_THUMB = 0.25;

/**
 * The plan of damping: every open bass that rings past its written end into a rest, into a bass it grates with, or into
 * a harmony it does not belong to, graded, with the cheapest means that is possible at that moment. The same bass again
 * needs none, and what is written to ring (l.v.) or lies in a passage that the teacher lets ring is left alone.
 */
export const dampingOf = (performance: Performance): readonly Damping[] => {
  const { score, left, right, rules, soundings } = performance;
  const letRing = rules.filter((rule) => rule.kind === 'ringing' && rule.rings);
  const heard = new Heard(left, soundings);
  const eventAt = new Map(right.events.map((event, index) => [event.onset, index]));
  return soundings.flatMap((ringing, index): Damping[] => {
    const { bar, end } = left.sounds[ringing.sound]!;
    if (!ringing.isOpen || ringing.string < FIRST_BASS_STRING || ringing.until <= end) return [];
    if (letRing.some((rule) => covers(rule, bar)) || score.notes[left.sounds[ringing.sound]!.head]!.letRing)
      return [];
    const clash = clashOf(index, left, soundings, heard);
    if (!clash) return [];
    const isSilence = clash.why === 'rest' && heard.isSilentFrom(clash.onset);
    const at = eventAt.get(clash.onset);
    const means = isSilence ? 'palm' : meansAt(ringing, at, clash.slice, left, right);
    return [
      {
        sound: ringing.sound,
        string: ringing.string,
        means,
        cost: DAMPING_COSTS[means],
        ...clash,
      },
    ];
  });
};

/** What is asked of a piece over and over while its ringing strings are looked at; each answer in little time. */
class Heard {
  private readonly onsets: readonly number[];
  /** By slice: the latest written end of all that was struck up to it. */
  private readonly latestEnd: readonly number[];
  /** By sounding: the next one of the same voice. */
  readonly nextInVoice: readonly number[];
  /** By slice: pitch classes that are struck or held there. */
  private readonly harmonies: readonly ReadonlySet<number>[];
  private readonly soundings: readonly Sounding[];
  private readonly bass: string | undefined;
  private readonly left: LeftPlan;

  constructor(left: LeftPlan, soundings: readonly Sounding[]) {
    this.left = left;
    this.bass = bassVoice(left);
    this.onsets = left.hands.map(({ slice }) => slice.onset);
    let latest = 0;
    this.latestEnd = left.hands.map(({ slice }) => {
      for (const sound of slice.struck) latest = Math.max(latest, left.sounds[sound]!.end);
      return latest;
    });
    this.soundings = soundings;
    const held: Sound[] = [];
    this.harmonies = left.hands.map(({ slice }) => {
      const still = held.filter(({ end }) => end > slice.onset);
      held.splice(0, held.length, ...still, ...slice.struck.map((sound) => left.sounds[sound]!));
      return new Set(held.map(({ midi }) => midi % 12));
    });
    const next = new Array<number>(soundings.length).fill(-1);
    const following = new Map<string, number>();
    for (let index = soundings.length - 1; index >= 0; index -= 1) {
      const { voice } = left.sounds[soundings[index]!.sound]!;
      next[index] = following.get(voice) ?? -1;
      following.set(voice, index);
    }
    this.nextInVoice = next;
  }

  /** Whether something is a bass: it lies on a bass string, or belongs to the bass voice. */
  isBass({ sound, string }: Sounding): boolean {
    return string >= FIRST_BASS_STRING || this.left.sounds[sound]!.voice === this.bass;
  }

  /** The first slice at or after a tick; the number of slices when there is none. */
  sliceFrom(tick: number): number {
    let low = 0;
    let high = this.onsets.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.onsets[middle]! < tick) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** Whether the bass voice rests from the end of one of its notes on, though others go on. */
  restsInBassFrom(index: number, end: number): boolean {
    if (this.left.sounds[this.soundings[index]!.sound]!.voice !== this.bass) return false;
    let at = this.nextInVoice[index]!;
    while (at >= 0 && this.soundings[at]!.from < end) at = this.nextInVoice[at]!;
    return at >= 0 && this.soundings[at]!.from > end;
  }

  /** Whether a pitch belongs, in some octave, to what is struck and held at a slice. */
  belongs(midi: number, slice: number): boolean {
    return this.harmonies[slice]?.has(midi % 12) ?? false;
  }

  /** The first beginning of a bar between two ticks at which a whole harmony is struck that a pitch does not belong to. */
  foreignHarmony(midi: number, from: number, until: number): number | undefined {
    const { bars } = this.left.piece.score;
    for (let slice = this.sliceFrom(from); (this.onsets[slice] ?? Infinity) < until; slice += 1) {
      const onset = this.onsets[slice]!;
      // Passing notes on weak beats make no harmony.
      if (bars[this.left.hands[slice]!.slice.bar]!.start !== onset) continue;
      if (this.harmonies[slice]!.size >= FEWEST_PITCHES && !this.belongs(midi, slice)) return onset;
    }
    return undefined;
  }

  /** Whether nothing is written to sound from a tick on until the next slice strikes. */
  isSilentFrom(tick: number): boolean {
    const slice = this.sliceFrom(tick);
    return this.onsets[slice] !== tick && (this.latestEnd[slice - 1] ?? 0) <= tick;
  }
}

type Clash = Pick<Damping, 'onset' | 'slice' | 'grade' | 'why'>;

/** What an open string clashes with after its written end, if anything. */
const clashOf = (
  index: number,
  left: LeftPlan,
  soundings: readonly Sounding[],
  heard: Heard,
): Clash | undefined => {
  const ringing = soundings[index]!;
  const { midi, end } = left.sounds[ringing.sound]!;
  const slice = heard.sliceFrom(end);
  // A gap before the next strike is a rest for all voices; after the last note nothing is left to clash with.
  if (slice < left.hands.length && (heard.isSilentFrom(end) || heard.restsInBassFrom(index, end)))
    return { onset: end, slice, grade: 'must', why: 'rest' };
  let at = heard.nextInVoice[index]!;
  // What moves on above an open bass lets it ring: only another bass turns it into mud.
  while (at >= 0 && (soundings[at]!.from < end || !heard.isBass(soundings[at]!))) at = heard.nextInVoice[at]!;
  const next = soundings[at];
  const harmony = heard.foreignHarmony(midi, end, Math.min(ringing.until, next?.from ?? Infinity));
  if (harmony !== undefined)
    return { onset: harmony, slice: heard.sliceFrom(harmony), grade: 'should', why: 'new-harmony' };
  if (!next || next.from >= ringing.until) return undefined;
  const bass = left.sounds[next.sound]!.midi;
  const interval = Math.abs(bass - midi) % 12;
  if (interval === 0) return undefined;
  const base = { onset: next.from, slice: heard.sliceFrom(next.from) };
  if (DISSONANT.has(interval)) return { ...base, grade: 'must', why: 'dissonant-bass' };
  // What rings below the new bass turns the chord over, consonant or not.
  if (midi < bass) return { ...base, grade: 'should', why: 'below-the-bass' };
  return heard.belongs(midi, base.slice)
    ? { ...base, grade: 'may', why: 'bass-line' }
    : { ...base, grade: 'should', why: 'new-harmony' };
};

/** The cheapest way to stop a string at a moment, given what both hands do then. */
const meansAt = (
  { string }: Sounding,
  event: number | undefined,
  slice: number,
  left: LeftPlan,
  { events, options }: RightPlan,
): DampingMeans => {
  const possible: DampingMeans[] = ['left-touch'];
  const now = event === undefined ? undefined : events[event]!;
  const thumb = now && options[event!]!.indexOf(THUMB);
  const thumbString = now && thumb !== undefined && thumb >= 0 ? now.notes[thumb]!.string : undefined;
  const isStruck = now?.notes.some((note) => note.string === string) ?? false;
  if (thumbString === string + 1 && !isStruck) possible.push('thumb-rest-stroke');
  if (thumbString === string - 1) possible.push('thumb-side');
  const { lying } = left.hands[slice]!;
  if (lying.some((each) => each.finger > 0 && each.string === string - 1)) possible.push('left-tip');
  if (thumbString === undefined && (now?.secondsBefore ?? Infinity) >= TIME_FOR_THUMB)
    possible.push('thumb-back');
  return possible.reduce((a, b) => (DAMPING_COSTS[b] < DAMPING_COSTS[a] ? b : a));
};
