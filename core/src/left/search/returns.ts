import type { SoundTables } from '../moments/sound-tables.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { differByConstant, FLAT, movedBy, SLOTS, slotMovedBy, slotSound, type Layer } from './layer.ts';

/** How far apart a moment lies from the one that it is a return of. */
interface Away {
  readonly sounds: number;
  readonly ticks: number;
}

/** No sound. */
const NONE = -1;

const isMoved = (one: number, other: number, away: number): boolean =>
  one === NONE ? other === NONE : one - away === other;

const isSameRow = <T>(one: readonly T[], other: readonly T[]): boolean =>
  one.length === other.length && one.every((each, place) => each === other[place]);

const isMovedRow = (one: readonly number[], other: readonly number[], away: number): boolean =>
  one.length === other.length && one.every((each, place) => isMoved(each, other[place]!, away));

/** Whether a moment asks of the hand what another asks that lies so far away. */
const isReturn = (one: Moment, other: Moment, { sounds, ticks }: Away): boolean =>
  one.options === other.options &&
  one.only === other.only &&
  one.positions === other.positions &&
  one.secondsBefore === other.secondsBefore &&
  one.beatsBefore === other.beatsBefore &&
  one.isOpening === other.isOpening &&
  one.isLoneLine === other.isLoneLine &&
  one.isTuneBeyondFirst === other.isTuneBeyondFirst &&
  one.inTremolo === other.inTremolo &&
  one.struckBefore === other.struckBefore &&
  one.onset - ticks === other.onset &&
  one.previousOnset - ticks === other.previousOnset &&
  one.nextOnset - ticks === other.nextOnset &&
  isMovedRow(one.struck, other.struck, sounds) &&
  isMovedRow(one.lineFrom, other.lineFrom, sounds) &&
  isSameRow(one.lineFalls, other.lineFalls) &&
  isSameRow(one.lineSteps, other.lineSteps) &&
  one.parallel?.low === other.parallel?.low &&
  one.parallel?.high === other.parallel?.high &&
  one.parallel?.apart === other.parallel?.apart &&
  isMoved(one.parallel?.lowFrom ?? NONE, other.parallel?.lowFrom ?? NONE, sounds) &&
  isMoved(one.parallel?.highFrom ?? NONE, other.parallel?.highFrom ?? NONE, sounds);

/** A number that layers have in common where one is the other moved, as are the moments that follow them. */
const keyOf = (before: Layer, moment: Moment, sound: number): number => {
  let key = Math.imul(moment.options.count, 0x9e3779b1) ^ before.count;
  for (let state = 0; state < before.count; state += 1) {
    key = Math.imul(key ^ before.position[state]!, 0x85ebca6b) ^ (key >>> 13);
    for (let k = 0; k < SLOTS; k += 1) {
      const slot = before.slots[state * SLOTS + k]!;
      key = Math.imul(key ^ (k === FLAT ? slot : slotMovedBy(slot, -sound)), 0x85ebca6b) ^ (key >>> 13);
    }
  }
  return key;
};

/**
 * Moments of a search that come back: where the same is struck with the same states before it, all of them later by so many
 * sounds and ticks, the states that it leads to are known already. Music returns, and so do whole passages of it.
 */
export class Returns {
  private readonly sounds: SoundTables;
  private readonly moments: readonly Moment[];
  private readonly layers: readonly Layer[];
  private readonly byKey = new Map<number, number[]>();

  /** `layers` grows with the search. */
  constructor(sounds: SoundTables, moments: readonly Moment[], layers: readonly Layer[]) {
    this.sounds = sounds;
    this.moments = moments;
    this.layers = layers;
  }

  /** The layer of a moment, where an earlier one tells it. What is asked for is known from then on. */
  at(index: number): Layer | undefined {
    const moment = this.moments[index]!;
    const before = this.layers[index - 1];
    const sound = moment.struck[0];
    if (!before || before.count === 0 || sound === undefined) return undefined;
    const key = keyOf(before, moment, sound);
    const alike = this.byKey.get(key);
    if (!alike) {
      this.byKey.set(key, [index]);
      return undefined;
    }
    for (const earlier of alike.toReversed()) {
      const model = this.moments[earlier]!;
      const away = { sounds: sound - model.struck[0]!, ticks: moment.onset - model.onset };
      const modelBefore = this.layers[earlier - 1]!;
      if (
        isReturn(moment, model, away) &&
        differByConstant(before, modelBefore, away.sounds) &&
        this.lastAsLong(before, moment, away)
      )
        return movedBy(this.layers[earlier]!, away.sounds, before.cost[0]! - modelBefore.cost[0]!);
    }
    alike.push(index);
    return undefined;
  }

  /** Whether every sound that lies in a layer or is struck then lasts and rings as the one that it is a return of. */
  private lastAsLong({ count, slots }: Layer, { struck }: Moment, away: Away): boolean {
    const lying = new Set(struck);
    for (let at = 0; at < count * SLOTS; at += 1)
      if (at % SLOTS !== FLAT && slots[at] !== 0) lying.add(slotSound(slots[at]!));
    const { broken, end, onset, rest, ring, slides, slurredFrom, struckBefore, touched } = this.sounds;
    return [...lying].every((sound) => {
      const other = sound - away.sounds;
      return (
        onset[sound]! - away.ticks === onset[other] &&
        end[sound]! - away.ticks === end[other] &&
        ring[sound]! - away.ticks === ring[other] &&
        rest[sound]! - away.ticks === rest[other] &&
        broken[sound] === broken[other] &&
        slides[sound] === slides[other] &&
        touched[sound] === touched[other] &&
        isMoved(slurredFrom[sound]!, slurredFrom[other]!, away.sounds) &&
        isMoved(struckBefore[sound]!, struckBefore[other]!, away.sounds)
      );
    });
  }
}
