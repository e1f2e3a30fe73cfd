<script lang="ts">
  import { dayName, painCare, whyName, workName, workOf, type SessionStep, type Wording } from '@oculon/core';
  import { Check, Coffee } from '@lucide/svelte';
  import type { Practising } from './practising.svelte.ts';
  import type { PractisingWords } from './practising-words.ts';

  interface Props {
    practising: Practising;
    wording: Wording;
    words: PractisingWords;
    onbegin: (step: number) => void;
  }
  const { practising, wording, words, onbegin }: Props = $props();

  const session = $derived(practising.session);
  const minutes = $derived(
    session.steps.reduce((sum, step, place) => sum + (practising.done[place] ? 0 : step.minutes), 0),
  );
  const begun = $derived(practising.done.some(Boolean));
  const nameOf = (step: SessionStep): string => {
    const work = workOf(step);
    return work ? workName(wording, practising.named, work) : wording.say('practice.part.break');
  };
  const rungOf = (step: Extract<SessionStep, { kind: 'climb' }>): string => {
    const ladder = practising.ladderOf(step.goal, step.spot);
    const [from, to] = [ladder?.rungs[step.rung], ladder?.rungs[step.toward]];
    return from === to
      ? `♩ = ${Math.round(to ?? 0)}`
      : `♩ = ${Math.round(from ?? 0)} ${words.toward} ${Math.round(to ?? 0)}`;
  };
</script>

{#if practising.isRestful}
  <div role="alert" class="my-3 border-l-4 border-warning pl-3 text-sm">
    <p>{painCare(wording)}</p>
    <button class="btn btn-sm mt-2" onclick={() => practising.setGentle(!practising.isGentle)}
      >{practising.isGentle ? words.usual : words.gentler}</button
    >
  </div>
{/if}

{#if practising.course.goals.every(({ state }) => state === 'resting')}
  <p class="my-4">{words.nothing}</p>
{:else if practising.course.minutes === 0}
  <p class="my-4">{words.noMinutes}</p>
{:else}
  {#if !session.isPlanned}<p class="my-3 text-sm">
      {words.anyway}
      {#if practising.nextDay !== undefined}{words.nextDay} {dayName(wording, practising.nextDay)}.{/if}
    </p>{/if}
  <ol class="session">
    {#each session.steps as step, place (place)}
      {@const isDone = practising.done[place]}
      <li class:done={isDone} aria-current={place === practising.next ? 'step' : undefined}>
        <span class="minutes">{step.minutes} {words.minutes}</span>
        <button class="name" onclick={() => onbegin(place)}>
          <span
            >{#if step.kind === 'break'}<Coffee class="inline size-4" aria-hidden="true" />{/if}
            {nameOf(step)}{#if step.kind === 'climb' && step.again}, {words.again}{/if}</span
          >
          {#if step.kind === 'climb'}<span class="small"
              >{rungOf(step)}{#if !step.again}{` · ${whyName(wording, step.why)}`}{/if}</span
            >{/if}
          {#if step.kind === 'drill'}<span class="small">♩ = {Math.round(step.tempo)}</span>{/if}
        </button>
        {#if isDone}<span class="tick"
            ><Check class="size-5" aria-hidden="true" /><span class="sr-only"
              >{practising.isPassed(place) ? words.passed : words.done}</span
            ></span
          >{/if}
      </li>
    {/each}
  </ol>
  {#if practising.next === undefined}
    <p class="my-4 text-center" role="status">
      {words.allDone}
      {#if practising.nextDay !== undefined}{words.nextDay} {dayName(wording, practising.nextDay)}.{/if}
    </p>
  {:else}
    <button class="btn btn-primary btn-lg go" onclick={() => onbegin(practising.next!)}
      >{begun ? words.goOn : words.begin} · {minutes} {words.minutes}</button
    >
  {/if}
{/if}

<style>
  .session {
    margin-block: 0.6rem;
    border-top: 1px solid var(--color-base-300);
  }
  li {
    display: flex;
    gap: 0.8rem;
    align-items: center;
    border-bottom: 1px solid var(--color-base-300);
  }
  li[aria-current] {
    background: var(--color-base-200);
  }
  li.done .name,
  li.done .minutes {
    opacity: 0.65;
  }
  .minutes {
    width: 3.6rem;
    padding-left: 0.4rem;
    font-size: 0.85rem;
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
  }
  .name {
    flex: 1;
    min-width: 0;
    min-height: 3rem;
    padding-block: 0.4rem;
    display: flex;
    flex-direction: column;
    align-items: flex-start;
    justify-content: center;
    text-align: left;
    cursor: pointer;
  }
  .small {
    font-size: 0.85rem;
    opacity: 0.8;
  }
  .tick {
    color: var(--color-success);
    padding-right: 0.4rem;
  }
  .go {
    position: sticky;
    bottom: calc(0.6rem + env(safe-area-inset-bottom));
    width: 100%;
  }
</style>
