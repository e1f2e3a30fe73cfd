import { FLAT, slotFinger, slotFret, slotSound, SLOTS, type Layer } from './layer.ts';
import type { Moment } from '../moments/ways-at-moment.ts';
import { FINGERS, STRINGS } from '../moments/option-table.ts';
import type { SoundTables } from '../moments/sound-tables.ts';

/** How what lies on a string is bound at the moment of a step. */
export const EMPTY = -1;
const IDLE = 0;
export const BUSY = 1;
export const RINGING = 2;
export const HELD = 3;

/** No string carries the note that a voice comes from. */
const NOWHERE = -1;

/**
 * The states of a layer as they stand when the next moment strikes: flat arrays by state, and by state and string,
 * finger or struck sound.
 */
export class StandingStates {
  count = 0;
  position = new Uint8Array(0);
  bound = new Int8Array(0);
  fret = new Uint8Array(0);
  finger = new Uint8Array(0);
  slot = new Int32Array(0);
  fingerFret = new Uint8Array(0);
  fingerMask = new Uint8Array(0);
  fingerBound = new Int8Array(0);
  /** Whether the finger alone has just been struck: what it plays is a line. */
  fingerIsLine = new Uint8Array(0);
  /** Fret at which the index has been laid flat and which it has not left since, 0 for none. */
  flat = new Uint8Array(0);
  /** Strings on which something sounds on, and strings on which something lies or sounds. */
  sounding = new Uint8Array(0);
  lying = new Uint8Array(0);
  /** Strings on which a finger rests in silence that may be wanted again. */
  resting = new Uint8Array(0);
  /** Strings that ring as part of a broken chord, and open strings that sound. */
  patterned = new Uint8Array(0);
  openStrings = new Uint8Array(0);
  /** Strings that were struck at the moment before. */
  justStruck = new Uint8Array(0);
  hasBarre = new Uint8Array(0);
  anyStopped = new Uint8Array(0);
  inRest = new Uint8Array(0);
  /** By state and struck sound: the string index of the note its voice, or its slur, comes from. */
  lineString = new Int8Array(0);
  slurString = new Int8Array(0);
  /** Whether any struck sound continues a line or a slur. */
  hasVoices = false;

  readonly sounds: SoundTables;

  constructor(sounds: SoundTables) {
    this.sounds = sounds;
  }

  /** Takes up the states of `layer`, or only the state `one`; without a layer the one free hand at the start. */
  take(layer: Layer | undefined, moment: Moment, one?: number): void {
    const first = one ?? 0;
    const end = one === undefined ? (layer?.count ?? 1) : one + 1;
    this.count = end;
    const { struck, lineFrom } = moment;
    const width = struck.length;
    this.reserve(end, width);
    this.hasVoices = struck.some(
      (sound, place) => lineFrom[place]! >= 0 || this.sounds.slurredFrom[sound]! >= 0,
    );
    this.fingerFret.fill(0, first * FINGERS, end * FINGERS);
    this.fingerMask.fill(0, first * FINGERS, end * FINGERS);
    this.fingerBound.fill(EMPTY, first * FINGERS, end * FINGERS);
    this.fingerIsLine.fill(0, first * FINGERS, end * FINGERS);
    for (let state = first; state < end; state += 1) {
      this.flat[state] = layer ? layer.slots[state * SLOTS + FLAT]! : 0;
      this.position[state] = layer ? layer.position[state]! : 0;
      this.takeState(layer, moment, state);
    }
    if (!this.hasVoices) return;
    for (let state = first; state < end; state += 1)
      for (let place = 0; place < width; place += 1) {
        const at = state * width + place;
        this.lineString[at] = this.stringOf(state, lineFrom[place]!);
        this.slurString[at] = this.stringOf(state, this.sounds.slurredFrom[struck[place]!]!);
      }
  }

  private takeState(layer: Layer | undefined, moment: Moment, state: number): void {
    const { sounds } = this;
    let lastEnd = -Infinity;
    let anyStopped = 0;
    let sounding = 0;
    let lying = 0;
    let resting = 0;
    let patterned = 0;
    let openStrings = 0;
    let justStruck = 0;
    let stoppedJustNow = 0;
    let lastStopped = 0;
    let hasBarre = 0;
    for (let k = 0; k < STRINGS; k += 1) {
      const at = state * STRINGS + k;
      const slot = layer ? layer.slots[state * SLOTS + k]! : 0;
      this.slot[at] = slot;
      if (slot === 0) {
        this.bound[at] = EMPTY;
        continue;
      }
      const sound = slotSound(slot);
      const finger = slotFinger(slot);
      const soundEnd = sounds.end[sound]!;
      const bound =
        soundEnd > moment.onset
          ? HELD
          : sounds.ring[sound]! > moment.onset
            ? RINGING
            : soundEnd > moment.previousOnset
              ? BUSY
              : IDLE;
      this.bound[at] = bound;
      this.fret[at] = slotFret(slot);
      this.finger[at] = finger;
      if (soundEnd > lastEnd) lastEnd = soundEnd;
      if (bound >= RINGING) sounding |= 1 << k;
      if (finger !== 0 || bound >= RINGING) lying |= 1 << k;
      if (bound === RINGING && sounds.broken[sound] === 1) patterned |= 1 << k;
      if (finger === 0) openStrings |= 1 << k;
      if (sounds.onset[sound] === moment.previousOnset) justStruck |= 1 << k;
      if (finger === 0) continue;
      if (bound < RINGING && sounds.rest[sound]! > moment.onset) resting |= 1 << k;
      const own = state * FINGERS + finger;
      this.fingerFret[own] = this.fret[at]!;
      if (this.fingerMask[own] !== 0) hasBarre = 1;
      this.fingerMask[own]! |= 1 << k;
      if (bound > this.fingerBound[own]!) this.fingerBound[own] = bound;
      if (soundEnd > moment.previousOnset) anyStopped = 1;
      if (sounds.onset[sound] === moment.previousOnset) {
        stoppedJustNow += 1;
        lastStopped = own;
      }
    }
    if (stoppedJustNow === 1) this.fingerIsLine[lastStopped] = 1;
    this.sounding[state] = sounding;
    this.lying[state] = lying;
    this.resting[state] = resting;
    this.patterned[state] = patterned;
    this.openStrings[state] = openStrings;
    this.justStruck[state] = justStruck;
    this.hasBarre[state] = hasBarre;
    this.anyStopped[state] = anyStopped;
    this.inRest[state] = lastEnd < moment.onset ? 1 : 0;
  }

  /** Index of the string on which a sound lies in a state, or −1. */
  stringOf(state: number, sound: number): number {
    if (sound < 0) return NOWHERE;
    for (let k = 0; k < STRINGS; k += 1) {
      const slot = this.slot[state * STRINGS + k]!;
      if (slot !== 0 && slotSound(slot) === sound) return k;
    }
    return NOWHERE;
  }

  private reserve(states: number, width: number): void {
    if (this.lineString.length < states * width) {
      this.lineString = new Int8Array(states * width * 2);
      this.slurString = new Int8Array(states * width * 2);
    }
    if (this.position.length >= states) return;
    const capacity = Math.max(64, states * 2);
    for (const each of [
      'position',
      'sounding',
      'lying',
      'resting',
      'patterned',
      'openStrings',
      'justStruck',
      'hasBarre',
      'anyStopped',
      'inRest',
      'flat',
    ] as const)
      this[each] = new Uint8Array(capacity);
    this.slot = new Int32Array(capacity * STRINGS);
    this.bound = new Int8Array(capacity * STRINGS);
    this.fret = new Uint8Array(capacity * STRINGS);
    this.finger = new Uint8Array(capacity * STRINGS);
    this.fingerFret = new Uint8Array(capacity * FINGERS);
    this.fingerMask = new Uint8Array(capacity * FINGERS);
    this.fingerBound = new Int8Array(capacity * FINGERS);
    this.fingerIsLine = new Uint8Array(capacity * FINGERS);
  }

  /** Writes what a state holds into `into`. */
  held(state: number, into: Int32Array): void {
    const base = state * STRINGS;
    for (let k = 0; k < STRINGS; k += 1) into[k] = this.bound[base + k] === HELD ? this.slot[base + k]! : 0;
    into[FLAT] = 0;
  }

  /** Writes what sounds on in a state into `into`: equal residues share every frame. */
  residue(state: number, into: Int32Array): void {
    const base = state * STRINGS;
    for (let k = 0; k < STRINGS; k += 1)
      into[k] = this.bound[base + k]! >= RINGING ? this.slot[base + k]! : 0;
    into[FLAT] = 0;
  }

  /**
   * Writes what lies in silence in a state and may rest on past a time into `into`: with equal residues it leads to the same
   * next state. Where the index may lie flat, or a finger on two strings, all of it counts.
   */
  silent(state: number, until: number, into: Int32Array): void {
    const base = state * STRINGS;
    for (let k = 0; k < STRINGS; k += 1) {
      const slot = (this.resting[state]! >> k) & 1 ? this.slot[base + k]! : 0;
      const counts =
        slot !== 0 &&
        (this.hasBarre[state] === 1 ||
          this.finger[base + k] === 1 ||
          this.sounds.rest[slotSound(slot)]! > until);
      into[k] = counts ? slot : 0;
    }
    into[FLAT] = this.flat[state]!;
  }
}
