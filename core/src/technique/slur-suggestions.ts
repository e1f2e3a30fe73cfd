import type { Performance } from '../performance/performance.ts';
import { measureOrder } from '../right/around/orders.ts';

/** A technical slur that nobody wrote and that would spare the right hand a pluck just where it is in trouble. */
export interface SlurSuggestion {
  readonly from: number;
  readonly to: number;
  readonly kind: 'hammer-on' | 'pull-off';
  /** What it repairs. */
  readonly repairs: 'crossing' | 'repeat' | 'tempo';
}

/** Plucks of one line closer together than this are hard to play evenly, in seconds. Our own value. */
const TOO_FAST = 0.12;
/** A crossing or a repeat is worth a slur when the plucks come within this, in seconds. Our own value. */
const AT_SPEED = 0.3;

/**
 * Slurs that would repair an awkward crossing, a repeated finger or a run that is too fast to pluck: the note follows the
 * one before it in the same voice and on the same string, by another finger or to the open string, and both hands allow
 * it. Only suggestions: the plan does not count on them. Handbook §4 and §6.
 */
export const slurSuggestions = ({
  left,
  right: { events, options },
}: Performance): readonly SlurSuggestion[] => {
  const { lineFrom, slurredFrom } = left.piece;
  const { crossings, repeats } = measureOrder(events, options);
  const troubles = new Map<number, SlurSuggestion['repairs']>();
  events.forEach(({ secondsBefore, notes }, event) => {
    if (secondsBefore < TOO_FAST && notes.length === 1) troubles.set(event, 'tempo');
  });
  for (const { event } of crossings)
    if (events[event]!.secondsBefore < AT_SPEED) troubles.set(event, 'crossing');
  for (const { event, finger, ms } of repeats)
    if (finger !== 'p' && ms < AT_SPEED * 1000) troubles.set(event, 'repeat');
  const hasSlur = new Set<number>();
  return [...troubles]
    .sort(([a], [b]) => a - b)
    .flatMap(([event, repairs]): SlurSuggestion[] => {
      const { notes } = events[event]!;
      const to = notes[0]!.sound;
      const from = lineFrom[to]!;
      const [before, after] = [left.choices[from], left.choices[to]];
      if (notes.length !== 1 || from < 0 || !before || !after) return [];
      // Two slurs in a row leave the second without a pluck to live on.
      if (hasSlur.has(from) || slurredFrom[from]! >= 0 || slurredFrom[to]! >= 0) return [];
      const isRising = left.sounds[to]!.midi > left.sounds[from]!.midi;
      const isPossible =
        before.string === after.string &&
        left.sounds[to]!.midi !== left.sounds[from]!.midi &&
        (isRising ? after.finger > before.finger : after.finger < before.finger);
      if (!isPossible) return [];
      hasSlur.add(to);
      return [{ from, to, kind: isRising ? 'hammer-on' : 'pull-off', repairs }];
    });
};
