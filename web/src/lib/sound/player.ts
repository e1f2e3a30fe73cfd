import type { SoundPlan } from '@oculon/core';
import { Course } from './course.ts';
import type { TimedEvent } from './guitar/string-events.ts';
import { Instrument } from './instrument.ts';
import { countIn } from './metronome.ts';
import {
  heardWith,
  momentAt,
  passageOf,
  secondOf,
  timed,
  type Heard,
  type PlayedPassage,
  type Stretch,
} from './playing.ts';
import { withinRates } from './sound-settings.ts';
import type { SoundSettings } from './sound-settings-schema.ts';

/** How far ahead is scheduled, in seconds: a hidden page is woken once a second at most. */
const AHEAD = 2.5;
const LOOK_AGAIN = 200;
/** From pressing the key to the first note, in seconds; and what a change of tempo leaves as it was. */
const LEAD = 0.04;
/** How long it sleeps between two looks at where it is, in ms. */
const SHORTEST_NAP = 4;
const LONGEST_NAP = 60;
/** Notes that follow each other faster are not all shown: the eye does not follow them, and each costs a picture. In ms. */
const FASTEST_SHOWN = 150;
/** Steps of the ladder, as a share of the goal. */
const LADDER_STEP = 0.05;
/** How long the last notes ring on before everything is hushed, in seconds. */
const RING_OUT = 4;
/** How long the instrument stays awake after it was hushed, in seconds. */
const STAYS_AWAKE = 1;

/** Whether two settings differ in nothing but how loud all is: then nothing has to be scheduled anew. */
const sameButVolume = (one: SoundSettings, other: SoundSettings): boolean =>
  JSON.stringify({ ...one, volume: 0 }) === JSON.stringify({ ...other, volume: 0 });

/** Bars of the page, counted from 0. */
export interface LoopedBars {
  readonly from: number;
  readonly to: number;
}

export interface PlayerEvents {
  /** What is played now: the tick on the page, and its moment in ms. */
  readonly onStep: (onset: number, ms: number) => void;
  /** A beat begins, counted from the start of what is played. */
  readonly onBeat: (beat: number) => void;
  readonly onStopped: () => void;
  /** The ladder has changed the tempo. */
  readonly onRate: (rate: number) => void;
}

/** What a player needs of its instrument. */
export type PlayedInstrument = Pick<
  Instrument,
  'now' | 'latency' | 'volume' | 'wake' | 'rest' | 'schedule' | 'forget' | 'close'
>;

/** Plays a piece on the instrument: schedules what is heard by the clock of the audio, and tells where it is. */
export class Player {
  readonly #instrument: PlayedInstrument;
  readonly #events: PlayerEvents;
  #sound: SoundPlan;
  #settings: SoundSettings;
  #loop: LoopedBars | undefined;
  #heard: readonly Heard[] = [];
  #course: Course;
  #passage: PlayedPassage = { from: 0, to: 0 };
  /** Stretches that are scheduled, the latest last. */
  #stretches: Stretch[] = [];
  /** Up to where the latest stretch is scheduled. */
  #cursor = 0;
  #endsAt = Infinity;
  #timer: ReturnType<typeof setInterval> | undefined;
  #looking: ReturnType<typeof setTimeout> | undefined;
  /** Hushes the last notes, and lets the instrument sleep. */
  #afterwards: ReturnType<typeof setTimeout> | undefined;

  constructor(instrument: PlayedInstrument, sound: SoundPlan, settings: SoundSettings, events: PlayerEvents) {
    this.#instrument = instrument;
    this.#sound = sound;
    this.#settings = settings;
    this.#events = events;
    this.#course = new Course(sound, settings.waits);
    this.#takeIn();
  }

  static async open(sound: SoundPlan, settings: SoundSettings, events: PlayerEvents): Promise<Player> {
    return new Player(await Instrument.open(), sound, settings, events);
  }

  get isPlaying(): boolean {
    return this.#timer !== undefined;
  }

  /** Where one hears it to be, in ms of the piece. */
  get moment(): number {
    return this.#momentAt(this.#instrument.now - this.#instrument.latency);
  }

  #momentAt(second: number): number {
    const stretch = this.#stretches.findLast((each) => each.second <= second) ?? this.#stretches[0];
    if (!stretch) return this.#passage.from;
    return Math.max(stretch.ms, Math.min(momentAt(this.#course, stretch, second), this.#passage.to));
  }

  /** Plays from a moment of the piece on; from the start of the loop when it lies outside. */
  async play(from: number): Promise<void> {
    clearTimeout(this.#afterwards);
    await this.#instrument.wake();
    this.#silence();
    this.#passage = this.#passageNear(from);
    const { from: start, to } = this.#passage;
    const begin = from >= start && from < to - 1 ? from : start;
    const { rate } = this.#settings;
    const clicks = this.#settings.countIn ? countIn(this.#sound, begin) : [];
    const lead = clicks.length > 0 ? (begin - clicks[0]!.ms) / 1000 / rate : 0;
    const second = this.#instrument.now + LEAD + lead;
    this.#instrument.schedule(
      clicks.map(({ ms, pitch }): TimedEvent => ({
        kind: 'click',
        pitch,
        at: second - (begin - ms) / 1000 / rate,
      })),
    );
    this.#begin({ second, ms: begin, rate });
    this.#timer = setInterval(() => this.#fill(), LOOK_AGAIN);
    this.#fill();
    this.#follow();
  }

  stop(): void {
    if (!this.isPlaying) return;
    this.#silence();
    this.#restIn(STAYS_AWAKE);
    this.#events.onStopped();
  }

  /** Plays another sound of the same piece from where it is: another plan, or the notes as written. */
  setSound(sound: SoundPlan): void {
    this.#sound = sound;
    this.#changed();
  }

  setSettings(settings: SoundSettings): void {
    const isSame = sameButVolume(settings, this.#settings);
    this.#settings = settings;
    this.#instrument.volume = settings.volume;
    if (!isSame) this.#changed();
  }

  setLoop(loop: LoopedBars | undefined): void {
    this.#loop = loop;
    if (!this.isPlaying) return;
    const at = this.#momentAt(this.#instrument.now + LEAD);
    const { from, to } = this.#passageNear(at);
    if (at >= from && at < to) this.#changed();
    else void this.play(from);
  }

  close(): void {
    this.#silence();
    clearTimeout(this.#afterwards);
    this.#instrument.close();
  }

  #passageNear(at: number): PlayedPassage {
    const whole = { from: 0, to: this.#sound.length };
    return (this.#loop && passageOf(this.#sound, this.#loop, this.#settings.withNext, at)) ?? whole;
  }

  #takeIn(): void {
    this.#heard = heardWith(this.#sound, this.#settings);
    this.#instrument.volume = this.#settings.volume;
  }

  /** Goes on with what is heard now otherwise: from a little ahead, what was scheduled is scheduled anew. */
  #changed(): void {
    const course = new Course(this.#sound, this.#settings.waits);
    this.#takeIn();
    if (!this.isPlaying) {
      this.#course = course;
      return;
    }
    const soon = this.#instrument.now + LEAD;
    const [first] = this.#stretches;
    // While one is still counted in, the start stays where it is.
    const isAhead = this.#stretches.length === 1 && first !== undefined && first.second > soon;
    const second = isAhead ? first.second : soon;
    const ms = isAhead ? first.ms : this.#momentAt(second);
    this.#course = course;
    this.#passage = this.#passageNear(ms);
    this.#instrument.forget(second);
    this.#stretches = this.#stretches.filter((stretch) => stretch.second < second);
    this.#begin({ second, ms: Math.min(ms, this.#passage.to - 1), rate: this.#settings.rate });
    this.#fill();
  }

  #begin(stretch: Stretch): void {
    // What is heard now stays known, however many short loops are scheduled ahead.
    const heard = this.#instrument.now - this.#instrument.latency;
    const current = this.#stretches.findLastIndex((each) => each.second <= heard);
    this.#stretches = [...this.#stretches.slice(Math.max(0, current)), stretch];
    this.#cursor = stretch.ms;
    this.#endsAt = Infinity;
  }

  #fill(): void {
    const horizon = this.#instrument.now + AHEAD;
    while (this.#endsAt === Infinity) {
      const stretch = this.#stretches.at(-1)!;
      const { to } = this.#passage;
      const limit = Math.min(to, momentAt(this.#course, stretch, horizon));
      if (limit > this.#cursor) {
        this.#instrument.schedule(timed(this.#heard, this.#course, stretch, this.#cursor, limit));
        this.#cursor = limit;
      }
      if (this.#cursor < to) return;
      const end = secondOf(this.#course, stretch, to);
      if (this.#loop) this.#turn(end);
      else this.#endsAt = end;
    }
    if (this.#instrument.now >= this.#endsAt) this.#end();
  }

  /** Begins the loop once more, on the ladder a step faster. */
  #turn(second: number): void {
    let { rate } = this.#settings;
    if (this.#settings.ladder && rate < 1) {
      rate = withinRates(Math.min(1, rate + LADDER_STEP));
      this.#settings = { ...this.#settings, rate };
      setTimeout(
        () => {
          if (this.isPlaying) this.#events.onRate(rate);
        },
        Math.max(0, (second - this.#instrument.now) * 1000),
      );
    }
    this.#begin({ second, ms: this.#passage.from, rate });
  }

  /** The piece is over: its last notes ring out. */
  #end(): void {
    this.#leave();
    this.#afterwards = setTimeout(() => {
      this.#instrument.schedule([{ kind: 'hush', at: 0 }]);
      this.#restIn(STAYS_AWAKE);
    }, RING_OUT * 1000);
    this.#events.onStopped();
  }

  #restIn(seconds: number): void {
    clearTimeout(this.#afterwards);
    this.#afterwards = setTimeout(() => this.#instrument.rest(), seconds * 1000);
  }

  #leave(): void {
    clearInterval(this.#timer);
    this.#timer = undefined;
    clearTimeout(this.#looking);
    this.#stretches = [];
  }

  #silence(): void {
    this.#leave();
    this.#instrument.forget(0);
    this.#instrument.schedule([{ kind: 'hush', at: 0 }]);
  }

  /** Tells where it is whenever that changes, and sleeps until then: a picture for each screen refresh would cost more. */
  #follow(): void {
    let [lastStep, lastBeat, shown] = [-1, -1, -1];
    const look = (): void => {
      const moment = this.moment + 1;
      const { steps, beats } = this.#sound;
      const step = lastUpTo(steps, moment);
      if (step !== lastStep && step >= 0 && !this.#isFleeting(step, shown)) {
        this.#events.onStep(steps[step]!.onset, steps[step]!.ms);
        shown = step;
      }
      const beat = lastUpTo(beats, moment);
      if (beat !== lastBeat && beat >= 0) this.#events.onBeat(beat);
      [lastStep, lastBeat] = [step, beat];
      const next = Math.min(steps[step + 1]?.ms ?? Infinity, beats[beat + 1]?.ms ?? Infinity);
      this.#looking = setTimeout(look, this.#untilHeard(next));
    };
    clearTimeout(this.#looking);
    look();
  }

  /** Whether a step comes so soon after the one shown, and goes so soon, that it need not be shown. */
  #isFleeting(step: number, shown: number): boolean {
    const { steps } = this.#sound;
    const [before, own, after] = [steps[shown], steps[step]!, steps[step + 1]];
    if (!before || !after || shown > step) return false;
    const least = FASTEST_SHOWN * this.#settings.rate;
    return own.ms - before.ms < least && after.ms - own.ms < least;
  }

  /** Ms until a moment of the piece, or the next stretch, is heard; not so long that a change of tempo would be missed. */
  #untilHeard(moment: number): number {
    const heard = this.#instrument.now - this.#instrument.latency;
    const current = Math.max(
      0,
      this.#stretches.findLastIndex(({ second }) => second <= heard),
    );
    const [stretch, after] = this.#stretches.slice(current);
    const at = stretch ? secondOf(this.#course, stretch, moment) : Infinity;
    const seconds = Math.min(at, after?.second ?? Infinity) - heard;
    return Math.max(SHORTEST_NAP, Math.min(LONGEST_NAP, seconds * 1000));
  }
}

/** The place of the last thing that has come by a moment; −1 before the first. */
const lastUpTo = (things: readonly { readonly ms: number }[], moment: number): number => {
  let low = 0;
  let high = things.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (things[middle]!.ms <= moment) low = middle + 1;
    else high = middle;
  }
  return low - 1;
};
