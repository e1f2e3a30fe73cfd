import type { PluckEvent, Wanted } from '../events/events.ts';
import type { RightLayer } from './layer.ts';
import { remembersTwo } from './step.ts';

const sameWanted = (a: Wanted | undefined, b: Wanted | undefined): boolean =>
  a === b || (a?.cost === b?.cost && a?.ranks.join() === b?.ranks.join());

/** Whether two events ask the same of the hand, whichever notes they strike. */
const isPlayedAlike = (a: PluckEvent, b: PluckEvent): boolean =>
  a.secondsBefore === b.secondsBefore &&
  a.paceBefore === b.paceBefore &&
  a.load === b.load &&
  a.school === b.school &&
  a.isLineStart === b.isLineStart &&
  a.isAfterSlur === b.isAfterSlur &&
  a.cell === b.cell &&
  a.mayDoubleThumb === b.mayDoubleThumb &&
  sameWanted(a.wanted, b.wanted) &&
  a.options.length === b.options.length &&
  a.options.every((option, index) => option.every((rank, place) => rank === b.options[index]![place])) &&
  a.notes.length === b.notes.length &&
  a.notes.every(
    ({ string, voice, isOverInner, isRepeated, isReturn }, index) =>
      string === b.notes[index]!.string &&
      voice === b.notes[index]!.voice &&
      isOverInner === b.notes[index]!.isOverInner &&
      isRepeated === b.notes[index]!.isRepeated &&
      isReturn === b.notes[index]!.isReturn,
  );

/** Whether an event is the same in two plans of a piece. */
export const isSameEvent = (a: PluckEvent, b: PluckEvent): boolean =>
  isPlayedAlike(a, b) && a.notes.every(({ sound }, index) => sound === b.notes[index]!.sound);

/** Whether two layers hold the same states, in the same order, with costs that differ by one constant. */
export const differsByConstant = (a: RightLayer, b: RightLayer): boolean => {
  if (a.count !== b.count) return false;
  const difference = a.cost[0]! - b.cost[0]!;
  for (let index = 0; index < a.count; index += 1)
    if (a.state[index] !== b.state[index] || a.cost[index]! - b.cost[index]! !== difference) return false;
  return true;
};

/** A number that steps have in common where one is a return of the other. */
const keyOf = ({ count, state }: RightLayer, { notes, options }: PluckEvent): number => {
  let key = Math.imul(count, 0x9e3779b1) ^ options.length;
  const add = (part: number): void => {
    key = Math.imul(key ^ part, 0x85ebca6b) ^ (key >>> 13);
  };
  for (const { string } of notes) add(string);
  for (let index = 0; index < count; index += 1) add(state[index]!);
  return key;
};

/** Events of a search that come back: where the same is played after the same, the states it leads to are known already. */
export class RightReturns {
  private readonly events: readonly PluckEvent[];
  private readonly layers: readonly RightLayer[];
  private readonly byKey = new Map<number, number[]>();

  /** `layers` grows with the search. */
  constructor(events: readonly PluckEvent[], layers: readonly RightLayer[]) {
    this.events = events;
    this.layers = layers;
  }

  /** The layer of an event, where an earlier one tells it. What is asked for is known from then on. */
  at(index: number): RightLayer | undefined {
    const { events, layers } = this;
    const before = layers[index - 1];
    if (!before || before.count === 0) return undefined;
    const key = keyOf(before, events[index]!);
    const alike = this.byKey.get(key);
    if (!alike) {
      this.byKey.set(key, [index]);
      return undefined;
    }
    for (const earlier of alike.toReversed()) {
      const modelBefore = layers[earlier - 1]!;
      if (
        isPlayedAlike(events[index - 1]!, events[earlier - 1]!) &&
        isPlayedAlike(events[index]!, events[earlier]!) &&
        remembersTwo(events[index + 1]) === remembersTwo(events[earlier + 1]) &&
        differsByConstant(before, modelBefore)
      )
        return layers[earlier]!.dearerBy(before.cost[0]! - modelBefore.cost[0]!);
    }
    alike.push(index);
    return undefined;
  }
}
