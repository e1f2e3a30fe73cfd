<script lang="ts">
  import { enhance } from '$app/forms';
  import {
    dayName,
    dayText,
    GOAL_STATES,
    goalStateName,
    LOG_BOUNDS,
    placeOn,
    readDay,
    spotKey,
    spotKindName,
    NEVER_MET,
    type PracticeCalendar,
    type Progress,
  } from '@oculon/core';
  import { X } from '@lucide/svelte';
  import { wording } from '../words.ts';
  import type { GoalView } from './course-content.ts';
  import SpotWishForm from './SpotWishForm.svelte';

  interface Props {
    goal: GoalView;
    basis: {
      readonly fingeringId: string | null;
      readonly pieceId: string | null;
      readonly version: string | null;
      readonly tempo: number | null;
      readonly newer: number;
    };
    progress: Progress;
    forecast: PracticeCalendar['goals'][number] | undefined;
  }
  const { goal, basis, progress, forecast }: Props = $props();

  let isCutting = $state(false);
  /** A date is whole only once all of it is typed: it is sent by the button. */
  let until = $derived(goal.until);
  const practised = $derived(goal.practised);
  const isMet = $derived(goal.state === 'learning' || goal.state === 'polished');
  const send = (event: Event & { currentTarget: HTMLElement }): void =>
    event.currentTarget.closest('form')?.requestSubmit();
</script>

<article class="rounded-box border border-base-300 p-3" aria-label={practised.title}>
  <div class="flex flex-wrap items-baseline gap-x-3">
    <h3 class="grow font-serif text-base font-semibold">
      {#if basis.pieceId}<a class="link-hover" href="/pieces/{basis.pieceId}/{basis.fingeringId}"
          >{practised.title}</a
        >{:else}{practised.title}{/if}
    </h3>
    <span class="text-xs opacity-70">{basis.version ?? 'its version is gone'}</span>
    <form method="POST" action="?/remove" use:enhance>
      <input type="hidden" name="goal" value={goal.id} />
      <button class="btn btn-ghost btn-xs btn-square" aria-label="Take {practised.title} out of the plan"
        ><X class="size-4" aria-hidden="true" /></button
      >
    </form>
  </div>
  <form method="POST" action="?/change" use:enhance class="mt-2 flex flex-wrap items-end gap-2 text-sm">
    <input type="hidden" name="goal" value={goal.id} />
    <label
      ><span class="block text-xs">Use</span>
      <select name="state" class="select select-sm w-36" onchange={send}>
        {#each GOAL_STATES as state (state)}<option value={state} selected={goal.state === state}
            >{goalStateName(wording, state)}</option
          >{/each}
      </select></label
    >
    <label
      ><span class="block text-xs">{goal.state === 'learning' ? 'To be ready on' : 'Due again on'}</span>
      <input name="until" type="date" class="input input-sm w-36" required bind:value={until} /></label
    >
    {#if until !== goal.until}<button class="btn btn-sm">Keep</button>{/if}
  </form>
  <form
    method="POST"
    action="?/cut"
    class="mt-2 flex flex-wrap items-end gap-2 text-sm"
    use:enhance={() => {
      isCutting = true;
      return async ({ update }) => {
        await update({ reset: false });
        isCutting = false;
      };
    }}
  >
    <input type="hidden" name="goal" value={goal.id} />
    <label
      ><span class="block text-xs">Tempo, ♩ a minute</span>
      <input
        name="tempo"
        type="number"
        class="input input-sm w-24"
        min={LOG_BOUNDS.slowest}
        max={LOG_BOUNDS.fastest}
        step="any"
        placeholder={String(Math.round(practised.target))}
        defaultValue={basis.tempo ?? ''}
      /></label
    >
    {#if basis.fingeringId}<button class="btn btn-sm" disabled={isCutting}
        >{isCutting ? 'Planning …' : basis.newer > 0 ? 'Take the version as it is now' : 'Set'}</button
      >{/if}
    {#if basis.newer > 0}<span class="text-xs text-caution"
        >{basis.newer === 1 ? 'One change' : `${basis.newer} changes`} newer than the plan</span
      >{/if}
  </form>
  {#if goal.state === 'learning' && forecast}
    <p class="mt-2 text-sm">
      {#if practised.spots.length === 0}Nothing stands out in it: it is played phrase by phrase.
      {:else if forecast.ready === undefined}<span class="text-caution"
          >Not ready by {dayName(wording, readDay(goal.until)!, 'short')} nor in the weeks after: give it more minutes,
          more days or a later day.</span
        >
      {:else if forecast.moves}<span class="text-caution"
          >Ready on {dayName(wording, forecast.ready, 'short')} if all goes well, not by {dayName(
            wording,
            readDay(goal.until)!,
            'short',
          )}.</span
        >
        <button class="btn btn-xs" form="later-{goal.id}">Move the day</button>
      {:else}Ready on {dayName(wording, forecast.ready, 'short')} if all goes well.{/if}
    </p>
    {#if forecast.moves && forecast.ready !== undefined}
      <form id="later-{goal.id}" method="POST" action="?/change" use:enhance>
        <input type="hidden" name="goal" value={goal.id} />
        <input type="hidden" name="state" value={goal.state} />
        <input type="hidden" name="until" value={dayText(forecast.ready)} />
      </form>
    {/if}
  {/if}
  {#if practised.spots.length > 0}
    <details class="mt-2">
      <summary class="cursor-pointer text-sm"
        >{practised.spots.length === 1 ? 'One hard spot' : `${practised.spots.length} hard spots`}</summary
      >
      <ul class="mt-1 divide-y divide-base-300">
        {#each practised.spots as { spot, ladder } (spot.id)}
          {@const place = placeOn(ladder, progress.standings.get(spotKey(goal.id, spot.id)) ?? NEVER_MET)}
          <li class="py-1.5 text-sm">
            <p>
              {spot.from === spot.to ? 'Bar' : 'Bars'}
              {practised.bars[spot.id]}: {spotKindName(wording, spot.kind)}
              <span class="text-xs opacity-75"
                >{place.passed < 0
                  ? `from ♩ = ${Math.round(ladder.rungs[0]!)}`
                  : `at ♩ = ${Math.round(ladder.rungs[place.passed]!)}`} of {Math.round(
                  ladder.rungs.at(-1)!,
                )}</span
              >
            </p>
            {#if isMet}<SpotWishForm goal={goal.id} spot={spot.id} wish={goal.wishes[spot.id]} />{/if}
          </li>
        {/each}
      </ul>
    </details>
  {/if}
</article>
