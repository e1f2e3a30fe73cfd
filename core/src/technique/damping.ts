import { covers } from '../fingering/rules.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import { bassVoice } from '../right/events/roles.ts';
import type { RightPlan } from '../right/right-plan.ts';
import { THUMB } from '../right/events/ranks.ts';
import type { Performance } from '../performance/performance.ts';
import type { Sounding } from '../performance/sounding.ts';

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
  readonly why: 'rest' | 'dissonant-bass' | 'new-harmony' | 'bass-line';
  readonly means: DampingMeans;
  /** What the means costs, in units of effort. */
  readonly cost: number;
}

/** Seconds, minor and major, sevenths and the tritone, in semitones. */
const DISSONANT = new Set([1, 2, 6, 10, 11]);
/** The basses, whose ringing muddies: ④ ⑤ ⑥. Handbook §5. */
const FIRST_BASS_STRING = 4;
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
    const at = clash.why === 'rest' ? undefined : eventAt.get(clash.onset);
    const means = clash.why === 'rest' ? 'palm' : meansAt(ringing, at, clash.slice, left, right);
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
  if (slice < left.hands.length && heard.isSilentFrom(end))
    return { onset: end, slice, grade: 'must', why: 'rest' };
  let at = heard.nextInVoice[index]!;
  // What moves on above an open bass lets it ring: only another bass turns it into mud.
  while (at >= 0 && (soundings[at]!.from < end || !heard.isBass(soundings[at]!))) at = heard.nextInVoice[at]!;
  const next = soundings[at];
  if (!next || next.from >= ringing.until) return undefined;
  const interval = Math.abs(left.sounds[next.sound]!.midi - midi) % 12;
  if (interval === 0) return undefined;
  const base = { onset: next.from, slice: heard.sliceFrom(next.from) };
  if (DISSONANT.has(interval)) return { ...base, grade: 'must', why: 'dissonant-bass' };
  // It belongs to the harmony when one of the notes struck since, and still heard, is the same in another octave.
  for (let other = index + 1; other < soundings.length && soundings[other]!.from <= next.from; other += 1) {
    const { sound, until } = soundings[other]!;
    if (until > next.from && (left.sounds[sound]!.midi - midi) % 12 === 0)
      return { ...base, grade: 'may', why: 'bass-line' };
  }
  return { ...base, grade: 'should', why: 'new-harmony' };
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
