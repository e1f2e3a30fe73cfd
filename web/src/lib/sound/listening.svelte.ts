import type { SoundPlan } from '@oculon/core';
import { keepSettings, keptSettings } from './kept-settings.ts';
import type { LoopedBars, Player } from './player.ts';
import { PLAIN_SOUND, withinRates } from './sound-settings.ts';
import type { SoundSettings } from './sound-settings-schema.ts';

/** Both ways in which a plan sounds. */
export interface PlanSounds {
  readonly planned: SoundPlan;
  readonly written: SoundPlan;
}

export interface Listener {
  /** The sounds of the plan as it stands. */
  readonly load: () => Promise<PlanSounds>;
  /** The tick on the page from which one wants to hear it. */
  readonly start: () => number;
  /** What is played now, as a tick on the page; undefined when nothing is. */
  readonly onStep: (onset: number | undefined) => void;
  /** The tempo follows from what is practised: it is not kept as the one that was chosen. */
  readonly hasOwnTempo?: boolean;
}

/** Listening to a piece: settings that are kept, what is played, and the player, which is loaded when it is first wanted. */
export class Listening {
  settings = $state.raw<SoundSettings>(PLAIN_SOUND);
  isPlaying = $state(false);
  isOpening = $state(false);
  problem = $state('');
  loop = $state.raw<LoopedBars>();
  /** The bar that is played, counted from 0. */
  bar = $state(0);
  /** Counts beats while it plays, for the pulse. */
  beat = $state(0);
  /** The sound to compare with, and whether it is the one that is heard. */
  remembered = $state.raw<PlanSounds>();
  hearsOther = $state(false);
  #sounds: PlanSounds | undefined;
  #player: Player | undefined;
  #opening: Promise<Player> | undefined;
  /** The page was left, perhaps while the player was still loading. */
  #isClosed = false;
  readonly #listener: Listener;
  /** What was changed here. */
  #changed: Partial<SoundSettings> = {};
  /** Done when the settings are those of the last time, with what was changed since. */
  readonly #restored: Promise<void>;

  constructor(listener: Listener) {
    this.#listener = listener;
    this.#restored = keptSettings().then((last) => {
      this.settings = { ...last, ...this.#changed };
    });
  }

  /** The sound that is heard with the settings as they are. */
  get #sound(): SoundPlan | undefined {
    const sounds = this.hearsOther ? this.remembered : this.#sounds;
    return this.settings.asWritten ? sounds?.written : sounds?.planned;
  }

  async sound(): Promise<SoundPlan> {
    this.#sounds = await this.#listener.load();
    return this.#sound ?? this.#sounds.planned;
  }

  async play(bar?: number): Promise<void> {
    this.#isClosed = false;
    this.problem = '';
    this.isOpening = this.#player === undefined;
    try {
      await this.#restored;
      const sound = await this.sound();
      const player = await this.#open(sound);
      if (this.#isClosed) return;
      player.setSound(sound);
      player.setSettings(this.settings);
      player.setLoop(this.loop);
      const tick = this.#listener.start();
      const span = bar === undefined ? undefined : sound.bars.find((each) => each.bar === bar);
      const start = span?.from ?? sound.steps.find(({ onset }) => onset >= tick)?.ms ?? 0;
      this.isPlaying = true;
      await player.play(start);
    } catch (error) {
      this.isPlaying = false;
      this.problem = (error as Error).message;
    } finally {
      this.isOpening = false;
    }
  }

  #open(sound: SoundPlan): Promise<Player> {
    // Nobody who only reads has to load what makes the sound.
    this.#opening ??= import('./player.ts').then(async ({ Player }) => {
      this.#player = await Player.open(sound, this.settings, {
        onStep: (onset, ms) => this.#stepped(onset, ms),
        onBeat: (beat) => (this.beat = beat),
        onStopped: () => {
          this.isPlaying = false;
          this.#listener.onStep(undefined);
        },
        onRate: (rate) => this.#change({ rate }),
      });
      if (this.#isClosed) this.#player.close();
      return this.#player;
    });
    const opening = this.#opening;
    opening.catch(() => (this.#opening = undefined));
    return opening;
  }

  #stepped(onset: number, ms: number): void {
    this.#listener.onStep(onset);
    const sound = this.#sound;
    this.bar = sound?.bars.findLast(({ from }) => from <= ms + 1)?.bar ?? 0;
  }

  stop(): void {
    this.#player?.stop();
    this.isPlaying = false;
    this.#listener.onStep(undefined);
  }

  toggle(): void {
    if (this.isPlaying) this.stop();
    else void this.play();
  }

  set(change: Partial<SoundSettings>): void {
    this.#change(change);
    const sound = this.#sound;
    if ('asWritten' in change && sound) this.#player?.setSound(sound);
    this.#player?.setSettings(this.settings);
  }

  setRate(rate: number): void {
    this.set({ rate: withinRates(rate) });
  }

  setLoop(loop: LoopedBars | undefined): void {
    this.loop = loop;
    this.#player?.setLoop(loop);
  }

  /** Remembers what is heard now, or, when something is remembered, changes between both. */
  compare(): void {
    if (!this.remembered) {
      this.remembered = this.#sounds;
      return;
    }
    this.hearsOther = !this.hearsOther;
    const sound = this.#sound;
    if (sound) this.#player?.setSound(sound);
  }

  /** Plays another sound of the piece from a bar on, counted from 0; the key that compares leads back to the plan. */
  async hear(sounds: PlanSounds, bar: number): Promise<void> {
    this.stop();
    this.remembered = sounds;
    this.hearsOther = true;
    await this.play(bar);
  }

  /** The plan is another one: it is heard from here on. */
  async refresh(): Promise<void> {
    if (!this.#player) return;
    const sound = await this.sound().catch(() => undefined);
    if (sound && !this.hearsOther) this.#player.setSound(sound);
  }

  #change(change: Partial<SoundSettings>): void {
    this.settings = { ...this.settings, ...change };
    this.#changed = { ...this.#changed, ...change };
    void this.#keep();
  }

  async #keep(): Promise<void> {
    await this.#restored;
    const rate = this.#listener.hasOwnTempo ? (await keptSettings()).rate : this.settings.rate;
    keepSettings({ ...this.settings, rate });
  }

  /** Falls silent and lets the audio go; playing again opens it anew, such as when the bar has come to another place. */
  close(): void {
    this.#isClosed = true;
    this.stop();
    this.#player?.close();
    this.#player = undefined;
    this.#opening = undefined;
  }
}
