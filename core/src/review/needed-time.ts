import { neckTables, spanOf, type NeckTables } from '../left/hand/hand.ts';
import type { HandAt, LeftPlan, Lying } from '../left/left-plan.ts';
import type { Performance } from '../performance/performance.ts';
import { THUMB } from '../right/events/ranks.ts';
import { RATES, type Level, type RateName } from './rates.ts';

/** What a hand has to do at a moment, the time that takes at a level, and the time there is, in seconds. */
export interface TimeAsked {
  readonly bar: number;
  /** When it has to be done, in ticks. */
  readonly onset: number;
  readonly hand: 'left' | 'right';
  readonly rate: RateName;
  readonly needed: number;
  readonly available: number;
}

/** Fingers of the chord, and frets of the shift, for which the rates are stated. */
const CHORD_FINGERS = 3;
const SHIFT_FRETS = 5;
const FULL_BARRE_STRINGS = 5;
/** Notes nearer than this are ornaments, and are not timed. In seconds; our own value. */
const ORNAMENT = 0.07;
/** A finger at the very end of its reach takes so much longer. Our own value. */
const STRETCH_TAKES = 1;

const isOn = (one: Lying, other: Lying): boolean =>
  one.finger === other.finger && one.string === other.string && one.fret === other.fret;

/** Share of the way from the comfortable to the widest span of the tightest pair in which a struck finger takes part. */
const strainOf = ({ setup: { hand } }: LeftPlan, neck: NeckTables, { slice, lying }: HandAt): number => {
  const down = lying.filter(({ finger, sounding }) => finger > 0 && sounding);
  let worst = 0;
  for (const low of down)
    for (const high of down) {
      if (low.finger >= high.finger) continue;
      if (!slice.struck.includes(low.sound) && !slice.struck.includes(high.sound)) continue;
      const { comfortable, maximum } = spanOf(hand, low.finger, high.finger);
      const beyond = neck.tip[high.fret]! - neck.tip[low.fret]! - comfortable;
      worst = Math.max(worst, beyond / Math.max(1, maximum - comfortable));
    }
  return worst;
};

/** What the left hand does from one slice to the next. */
const leftAsked = (
  left: LeftPlan,
  before: HandAt,
  after: HandAt,
  level: Level,
): { readonly rate: RateName; readonly needed: number } | undefined => {
  const struck = after.lying.filter(({ sound }) => after.slice.struck.includes(sound));
  const set = struck.filter((each) => each.finger > 0 && !before.lying.some((other) => isOn(each, other)));
  const fingers = new Set(set.map(({ finger }) => finger));
  if (fingers.size === 0) return undefined;
  const seconds = (name: RateName): number => RATES[name].seconds[level];
  const stays = after.lying.some(
    (each) => each.finger > 0 && before.lying.some((other) => isOn(each, other)),
  );
  const isGuided = set.some((each) =>
    before.lying.some(
      (other) => other.finger === each.finger && other.string === each.string && other.fret !== each.fret,
    ),
  );
  const isSlurred = set.some(
    ({ sound }) => left.piece.score.notes[left.sounds[sound]!.head]!.slurredFrom !== undefined,
  );
  const asked: { rate: RateName; needed: number }[] = [];
  const ask = (name: RateName, share = 1): void => {
    asked.push({ rate: name, needed: seconds(name) * share });
  };
  if (fingers.size === 1) ask(isSlurred ? 'slur' : 'line');
  else ask(stays || isGuided ? 'chordLed' : 'chord', Math.sqrt(fingers.size / CHORD_FINGERS));
  if (before.position > 0 && before.position !== after.position) {
    const isOnOpen = !before.lying.some(({ finger, sounding }) => finger > 0 && sounding);
    const frets = Math.abs(after.position - before.position);
    ask(isGuided || isOnOpen ? 'shiftLed' : 'shift', Math.sqrt(frets / SHIFT_FRETS));
  }
  const flat = set.filter(({ finger }) => finger === 1);
  const covered = new Set(after.lying.filter(({ finger }) => finger === 1).map(({ string }) => string)).size;
  if (flat.length > 0 && covered > 1 && before.flat !== after.flat)
    ask('barre', Math.min(1, covered / FULL_BARRE_STRINGS));
  return asked.reduce((a, b) => (b.needed > a.needed ? b : a));
};

/** Everything that both hands have to do in time, in the order of each hand's moments. */
export const timesAsked = ({ left, right, clock }: Performance, level: Level): readonly TimeAsked[] => {
  const neck = neckTables(left.setup.guitar);
  const asked: TimeAsked[] = [];
  left.hands.forEach((after, index) => {
    const before = left.hands[index - 1];
    const available = before
      ? clock.seconds(after.slice.onset) - clock.seconds(before.slice.onset)
      : Infinity;
    if (!before || available < ORNAMENT) return;
    const own = leftAsked(left, before, after, level);
    if (!own) return;
    const strain = 1 + STRETCH_TAKES * Math.max(0, strainOf(left, neck, after));
    const { bar, onset } = after.slice;
    const { rate, needed } = own;
    asked.push({ bar, onset, hand: 'left', rate, needed: needed * strain, available });
  });
  const cellOf = new Map(
    right.cells.flatMap(({ kind, first, end }) =>
      Array.from({ length: end - first }, (_, place) => [first + place, kind] as const),
    ),
  );
  right.events.forEach(({ bar, onset }, index) => {
    const available = index === 0 ? 0 : clock.seconds(onset) - clock.seconds(right.events[index - 1]!.onset);
    if (available < ORNAMENT) return;
    const before = right.options[index - 1]!;
    const repeats = right.options[index]!.some((rank) => rank !== THUMB && before.includes(rank));
    const rate: RateName = repeats ? 'sameFinger' : (cellOf.get(index) ?? 'line');
    asked.push({ bar, onset, hand: 'right', rate, needed: RATES[rate].seconds[level], available });
  });
  return asked;
};
