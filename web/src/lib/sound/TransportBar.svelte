<script lang="ts">
  import { barLabel, type Language, type Score } from '@oculon/core';
  import { Play, Repeat, Settings2, Square, Timer } from '@lucide/svelte';
  import { onMount } from 'svelte';
  import type { Listening } from './listening.svelte.ts';
  import { CLICKING, RATES, tempoOfTaps } from './sound-settings.ts';
  import { canSpeak, hushVoice, speak, spokenText } from './speech.ts';
  import SoundOptions from './SoundOptions.svelte';
  import { TRANSPORT_WORDS } from './transport-words.ts';

  interface Props {
    listening: Listening;
    score: Score;
    language: Language;
    /** The bars at which the reader is, counted from 0. */
    here: { readonly from: number; readonly to: number };
    /** Whether it stands beside other things and must take little room. */
    isSlim?: boolean;
    /** The goal tempo in quarters a minute. */
    goal: number;
    /** What is said of some bars, counted from 0. */
    told?: (from: number, to: number) => Promise<readonly string[]>;
    /** Writes the piece as a MIDI file. */
    midi?: (asWritten: boolean, once: boolean) => Promise<Uint8Array>;
  }
  const { listening, score, language, here, goal, isSlim = false, told, midi }: Props = $props();

  const words = $derived(TRANSPORT_WORDS[language]);
  const settings = $derived(listening.settings);
  let isOpen = $state(false);
  let saysFirst = $state(false);
  let isSpeaking = $state(false);
  let taps: number[] = [];

  onMount(() => () => {
    listening.close();
    hushVoice();
  });

  const toggle = async (): Promise<void> => {
    if (listening.isPlaying || isSpeaking) {
      isSpeaking = false;
      hushVoice();
      listening.stop();
      return;
    }
    if (saysFirst && told && canSpeak()) {
      isSpeaking = true;
      const { from, to } = listening.loop ?? here;
      const sentences = await told(from, to).catch(() => []);
      await speak(
        sentences.map((text) => spokenText(text, language, words.string)),
        language,
      );
      if (!isSpeaking) return;
      isSpeaking = false;
    }
    await listening.play();
  };
  const loopHere = (): void => listening.setLoop(listening.loop ? undefined : { ...here });
  const setLoop = (from: number, to: number): void => {
    const last = score.bars.length - 1;
    const first = Math.max(0, Math.min(from, last));
    listening.setLoop({ from: first, to: Math.max(first, Math.min(to, last)) });
  };
  const tap = (): void => {
    const now = performance.now();
    if (taps.length > 0 && now - taps.at(-1)! > 2500) taps = [];
    taps = [...taps, now];
    const tempo = tempoOfTaps(taps);
    if (tempo !== undefined) listening.setRate(tempo / goal);
  };
  const nextClick = (): void =>
    listening.set({
      clicking: CLICKING[(CLICKING.indexOf(settings.clicking) + 1) % CLICKING.length]!,
    });

  const KEYS: Readonly<Record<string, () => void>> = {
    ' ': () => void toggle(),
    l: loopHere,
    ',': () => listening.setRate(settings.rate - RATES.step),
    '.': () => listening.setRate(settings.rate + RATES.step),
    c: nextClick,
    b: () => listening.compare(),
  };
  /** Whether the focus was moved by keys last, not by the pointer. */
  let walksByKeyboard = false;
  const onkeydown = (event: KeyboardEvent): void => {
    if (event.key === 'Tab') walksByKeyboard = true;
    const target = event.target as Element;
    const types = target.closest(
      'input:not([type=range], [type=checkbox]), textarea, select, [contenteditable]',
    );
    if (types || event.ctrlKey || event.metaKey || event.altKey || document.querySelector('dialog[open]'))
      return;
    // Who walks the page by keyboard presses a button with the space bar.
    const presses =
      event.key === ' ' && walksByKeyboard && target.matches('button, summary, a, input, [role=button]');
    const action = KEYS[event.key.toLowerCase()];
    if (!action || presses) return;
    event.preventDefault();
    action();
  };
</script>

<svelte:window {onkeydown} onpointerdown={() => (walksByKeyboard = false)} />

<section class="bar" class:slim={isSlim} aria-label={words.transport}>
  <div class="above">
    {#if isOpen}
      <SoundOptions
        {listening}
        {words}
        {midi}
        {score}
        bind:saysFirst
        canSay={told !== undefined && canSpeak()}
      />
    {/if}
    {#if listening.problem}<p role="alert" class="px-2 text-sm text-error">{listening.problem}</p>{/if}
  </div>
  <div class="row">
    <button
      class="btn btn-sm btn-primary btn-square"
      aria-label={listening.isPlaying || isSpeaking ? words.stop : words.play}
      aria-keyshortcuts="Space"
      onclick={toggle}
      >{#if listening.isPlaying || isSpeaking}<Square class="size-4" aria-hidden="true" />{:else}<Play
          class="size-4"
          aria-hidden="true"
        />{/if}</button
    >
    <span class="place" role="status" data-testid="playing">
      {#if listening.isOpening}{words.opening}
      {:else if listening.isPlaying}
        <!-- The beat goes from side to side: it changes with the note that is struck, and draws no picture of its own. -->
        <span class="pulse" class:lit={listening.beat % 2 === 0} aria-hidden="true"></span>
        <span class="pulse" class:lit={listening.beat % 2 === 1} aria-hidden="true"></span>
        {words.bar}
        {barLabel(score.bars[listening.bar] ?? score.bars[0]!)}
      {/if}
    </span>
    <label class="tempo">
      <span class="sr-only">{words.tempo}</span>
      <input
        type="range"
        class="range range-xs range-secondary"
        min={RATES.slowest}
        max={RATES.fastest}
        step={RATES.step}
        value={settings.rate}
        oninput={({ currentTarget }) => listening.setRate(Number(currentTarget.value))}
      />
    </label>
    <button class="rate" title={words.tap} onclick={tap}
      >{Math.round(settings.rate * 100)} %<span class="goal"
        >{` · ♩ = ${Math.round(goal * settings.rate)}`}</span
      ><span class="sr-only">, {words.tap}</span></button
    >
    <button
      class="btn btn-sm"
      class:btn-active={listening.loop !== undefined}
      aria-pressed={listening.loop !== undefined}
      aria-keyshortcuts="L"
      onclick={loopHere}
      ><Repeat class="size-4" aria-hidden="true" /> <span class="name">{words.loop}</span></button
    >
    {#if listening.loop}
      {@const { from, to } = listening.loop}
      <span class="range-of">
        <input
          type="number"
          class="input input-xs w-14"
          aria-label={words.from}
          min="1"
          max={score.bars.length}
          value={from + 1}
          onchange={({ currentTarget }) => setLoop(Number(currentTarget.value) - 1, to)}
        />–<input
          type="number"
          class="input input-xs w-14"
          aria-label={words.to}
          min="1"
          max={score.bars.length}
          value={to + 1}
          onchange={({ currentTarget }) => setLoop(from, Number(currentTarget.value) - 1)}
        />
      </span>
    {/if}
    <button
      class="btn btn-sm"
      class:btn-active={settings.clicking !== 'off'}
      aria-label="{words.click}: {words[`click.${settings.clicking}`]}"
      title={words[`click.${settings.clicking}`]}
      aria-keyshortcuts="C"
      onclick={nextClick}
      ><Timer class="size-4" aria-hidden="true" />
      <span class="name">{words[`click.${settings.clicking}`]}</span></button
    >
    {#if listening.remembered}
      <button class="btn btn-sm" aria-keyshortcuts="B" onclick={() => listening.compare()}
        >{listening.hearsOther ? 'A' : 'B'}<span class="name"
          >: {listening.hearsOther ? words.other : words.current}</span
        ></button
      >
    {/if}
    <button class="btn btn-ghost btn-sm ml-auto" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}
      ><Settings2 class="size-4" aria-hidden="true" /> <span class="name">{words.more}</span></button
    >
  </div>
</section>

<style>
  .bar {
    background: var(--color-base-100);
    border-top: 1px solid var(--color-base-300);
  }
  .row {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    padding: 0.35rem 0.75rem;
    min-height: 2.6rem;
  }
  .place {
    min-width: 4.5rem;
    font-size: 0.85rem;
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
  }
  .tempo {
    flex: 0 1 9rem;
    display: flex;
  }
  .rate {
    font-size: 0.8rem;
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
    min-height: 24px;
    cursor: pointer;
  }
  .range-of {
    white-space: nowrap;
  }
  .pulse {
    display: inline-block;
    width: 0.5rem;
    height: 0.5rem;
    margin-right: 0.25rem;
    border-radius: 50%;
    background: var(--color-primary);
    opacity: 0.2;
    will-change: opacity;
  }
  .pulse.lit {
    opacity: 1;
  }
  .slim {
    position: relative;
    border-top: none;
  }
  .slim .above {
    position: absolute;
    top: 100%;
    left: 50%;
    width: 40rem;
    translate: -50% 0;
    z-index: 30;
    border-radius: var(--radius-box);
    background: var(--color-base-100);
    box-shadow: 0 6px 18px rgb(0 0 0 / 0.18);
  }
  .slim .row {
    padding: 0.1rem 0.3rem;
    gap: 0.3rem;
    min-height: 0;
    border: 1px solid var(--color-base-300);
    border-radius: var(--radius-box);
    background: var(--color-base-200);
  }
  .slim .tempo {
    flex: 0 0 6rem;
  }
  .slim .name {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .slim .place {
    min-width: 3.4rem;
  }
  @media (max-width: 640px) {
    .row {
      gap: 0.3rem;
      padding-inline: 0.5rem;
      flex-wrap: wrap;
    }
    /* Said, not shown: the picture is enough for the eye. */
    .name {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
    .goal {
      display: none;
    }
    /* Room for the bar that is played, from the start: nothing moves to another line when it begins. */
    .place {
      min-width: 6rem;
    }
    .tempo {
      flex: 1 1 2rem;
      max-width: 4.5rem;
    }
  }
  @media print {
    .bar {
      display: none;
    }
  }
</style>
