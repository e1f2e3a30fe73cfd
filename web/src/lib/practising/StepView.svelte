<script lang="ts">
  import {
    LADDER,
    outcomeName,
    OUTCOMES,
    spotCare,
    workName,
    workOf,
    type Ladder,
    type LogEntry,
    type NamedGoal,
    type SessionStep,
    type SpotKind,
    type Wording,
  } from '@oculon/core';
  import { ChevronLeft } from '@lucide/svelte';
  import { onMount } from 'svelte';
  import type { PracticeSheet } from '../practice/course-content.ts';
  import { climbFrom, resultOf, tempoNow, tried, type Climb } from './climb.ts';
  import EntryFields from './EntryFields.svelte';
  import type { PractisingWords } from './practising-words.ts';

  interface Props {
    step: SessionStep;
    /** The entry that will be kept; nothing for a break. */
    first: LogEntry | undefined;
    /** The ladder of its spot, where it has one, and what makes the spot hard. */
    ladder: Ladder | undefined;
    kind: SpotKind | undefined;
    named: readonly NamedGoal[];
    wording: Wording;
    words: PractisingWords;
    sheet: Promise<PracticeSheet | undefined>;
    onhold: (entry: LogEntry) => void;
    /** The step is over; with an entry to keep, or without. */
    onend: (entry: LogEntry | undefined) => void;
    /** The step is gone past; what was held of it is forgotten. */
    onskip: () => void;
    onback: () => void;
  }
  const { step, first, ladder, kind, named, wording, words, sheet, onhold, onend, onskip, onback }: Props =
    $props();

  const MS_PER_MINUTE = 60_000;
  // A step is one component: what it began with stays.
  // svelte-ignore state_referenced_locally
  let entry = $state.raw(first);
  // svelte-ignore state_referenced_locally
  let climb = $state.raw<Climb | undefined>(
    step.kind === 'climb' && ladder ? climbFrom(ladder, step.rung) : undefined,
  );
  /** Whether it is asked how it was. */
  let isOver = $state(false);
  let handHeight = $state(0);
  const began = Date.now();
  let now = $state(began);
  onMount(() => {
    const ticking = setInterval(() => (now = Date.now()), 1000);
    return () => clearInterval(ticking);
  });
  const left = $derived(Math.max(0, Math.ceil((began + step.minutes * MS_PER_MINUTE - now) / 1000)));
  const clock = $derived(`${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`);

  const work = $derived(workOf(step));
  const name = $derived(work ? workName(wording, named, work) : wording.say('practice.part.break'));
  const tempo = $derived(climb ? tempoNow(climb) : step.kind === 'drill' ? step.tempo : undefined);
  const top = $derived(ladder ? ladder.rungs.length : 0);

  const minutesSoFar = (): number => Math.max(1, Math.round((Date.now() - began) / MS_PER_MINUTE));
  const held = (change: Partial<LogEntry>): void => {
    if (!entry) return;
    entry = { ...entry, minutes: minutesSoFar(), ...change };
    onhold(entry);
  };
  const answer = (outcome: (typeof OUTCOMES)[number]): void => {
    if (climb) {
      climb = tried(climb, outcome);
      held(resultOf(climb));
    } else {
      held({ outcome, tempo: tempo ?? null });
      isOver = true;
    }
  };
  const end = (): void => {
    if (!entry) {
      onend(undefined);
      return;
    }
    held({});
    isOver = true;
  };
</script>

<section class="step" aria-label={name} data-step={step.kind} style:--at-hand="{handHeight}px">
  <header>
    <button class="btn btn-ghost btn-square" aria-label={words.back} onclick={onback}
      ><ChevronLeft class="size-5" aria-hidden="true" /></button
    >
    <h2>{name}</h2>
    <span class="clock" role="timer" aria-label="{clock} {words.left}">{clock}</span>
  </header>

  {#if isOver && entry}
    <div class="fields">
      {#if entry.outcome}<p>
          {outcomeName(wording, entry.outcome)}{#if entry.tempo !== null}, ♩ = {Math.round(entry.tempo)}{/if}
        </p>{/if}
      <EntryFields
        {entry}
        {wording}
        {words}
        onchange={(changed) => {
          entry = changed;
          onhold(changed);
        }}
      />
      <button class="btn btn-primary btn-lg w-full" onclick={() => onend(entry)}>{words.keep}</button>
    </div>
  {:else}
    {#if step.kind === 'break'}
      <p class="say">{words.breakNow}</p>
    {:else}
      {#if step.kind === 'warm-up'}<p class="say">{words.warmUp}</p>{/if}
      <div class="music">
        {#await sheet}
          <p role="status" class="p-4 text-sm opacity-80">{words.loading}</p>
        {:then music}
          {#if music}
            {#await import('./PracticeMusic.svelte') then { default: PracticeMusic }}
              <PracticeMusic
                sheet={music}
                language={wording.language}
                tempo={tempo ?? music.score.tempi[0]!.quartersPerMinute}
                label={music.title}
              />
            {:catch}
              <p class="p-4 text-sm">{words.noMusic}</p>
            {/await}
          {:else}<p class="p-4 text-sm">{words.noDrillMusic}</p>{/if}
        {:catch}
          <p class="p-4 text-sm">{words.noMusic}</p>
        {/await}
      </div>
      {#if kind}<p class="care">{spotCare(wording, kind)}</p>{/if}
    {/if}
    <div class="at-hand" bind:offsetHeight={handHeight}>
      {#if left === 0}<p role="status" class="text-center text-sm">{words.timeIsUp}</p>{/if}
      {#if climb}
        <p class="rung" role="status" data-testid="rung">
          <b>♩ = {Math.round(tempoNow(climb))}</b>
          <span class="small"
            >{#if climb.place.rung < top}{words.rung}
              {climb.place.rung + 1}
              {words.all}
              {top}{:else}{words.reached}{/if}</span
          >
          <span class="dots" aria-label="{climb.place.clean} {words.inARow}"
            >{#each { length: LADDER.cleanToPass } as _, dot (dot)}<i class:on={dot < climb.place.clean}
              ></i>{/each}</span
          >
        </p>
      {:else if step.kind === 'drill'}
        <p class="rung"><b>♩ = {Math.round(step.tempo)}</b></p>
      {/if}
      {#if step.kind === 'climb' || step.kind === 'drill'}
        <div class="answers">
          {#each OUTCOMES as outcome (outcome)}
            <button class={['btn btn-lg', outcome]} onclick={() => answer(outcome)}
              >{outcomeName(wording, outcome)}</button
            >
          {/each}
        </div>
      {/if}
      <div class="flex gap-2">
        <button class="btn btn-ghost" onclick={onskip}>{words.skip}</button>
        <button class="btn btn-primary ml-auto" onclick={end}>{words.next}</button>
      </div>
    </div>
  {/if}
</section>

<style>
  .step {
    display: flex;
    flex-direction: column;
    min-height: 100dvh;
  }
  header {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    padding: 0.4rem 0.6rem;
  }
  h2 {
    font: 600 1.05rem/1.25 var(--font-serif);
    flex: 1;
    min-width: 0;
  }
  .clock {
    font-variant-numeric: tabular-nums;
    font-size: 1.1rem;
  }
  .say,
  .care,
  .fields {
    padding-inline: 1rem;
  }
  .say::first-letter {
    text-transform: uppercase;
  }
  .care {
    font-size: 0.8rem;
    opacity: 0.8;
  }
  .fields {
    display: grid;
    gap: 1rem;
    padding-top: 1rem;
  }
  .music {
    flex: 1;
    padding-inline: 0.6rem;
  }
  .at-hand {
    position: sticky;
    bottom: 0;
    display: grid;
    gap: 0.6rem;
    padding: 0.6rem 0.8rem calc(0.6rem + env(safe-area-inset-bottom));
    background: var(--color-base-100);
    border-top: 1px solid var(--color-base-300);
  }
  .rung {
    display: flex;
    align-items: baseline;
    gap: 0.8rem;
    font-size: 1.2rem;
    font-variant-numeric: tabular-nums;
  }
  .small {
    font-size: 0.85rem;
    opacity: 0.8;
  }
  .dots {
    margin-left: auto;
    display: inline-flex;
    gap: 0.35rem;
  }
  .dots i {
    width: 0.8rem;
    height: 0.8rem;
    border-radius: 50%;
    border: 2px solid var(--color-success);
  }
  .dots i.on {
    background: var(--color-success);
  }
  .answers {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0.5rem;
  }
  .answers .btn {
    min-height: 4rem;
    padding-inline: 0.3rem;
  }
  .answers .btn::first-letter {
    text-transform: uppercase;
  }
  .clean {
    border: 2px solid var(--color-success);
  }
  .nearly {
    border: 2px solid var(--color-warning);
  }
  .not-yet {
    border: 2px solid var(--color-neutral);
  }
</style>
