<script lang="ts">
  import { enhance } from '$app/forms';
  import {
    dayText,
    FEELINGS,
    feelingName,
    later,
    LOG_BOUNDS,
    OUTCOMES,
    outcomeName,
    PAINS,
    painName,
    workName,
    type Day,
    type NamedGoal,
    type Work,
  } from '@oculon/core';
  import type { LoggedEntry } from '../practice/course-content.ts';
  import { wording } from '../words.ts';

  interface Props {
    named: readonly NamedGoal[];
    /** What can be logged, where it is a new entry. */
    works: readonly Work[];
    today: Day;
    /** The entry that is corrected. */
    entry?: LoggedEntry;
    onclose: () => void;
  }
  const { named, works, today, entry, onclose }: Props = $props();

  // Made once: what is sent twice is written once.
  const id = crypto.randomUUID();
</script>

<form
  method="POST"
  action="?/write"
  class="grid grid-cols-2 gap-3 rounded-box bg-base-200 p-3 text-sm sm:grid-cols-4"
  use:enhance={() =>
    async ({ result, update }) => {
      await update({ reset: false });
      if (result.type === 'success') onclose();
    }}
>
  <input type="hidden" name="id" value={id} />
  <input type="hidden" name="corrects" value={entry?.id ?? ''} />
  {#if entry}
    <input type="hidden" name="work" value={JSON.stringify(entry.work)} />
    <p class="col-span-full font-medium">{workName(wording, named, entry.work)}</p>
  {:else}
    <label class="col-span-2"
      >What
      <select name="work" class="select select-sm mt-1 w-full">
        {#each works as work, index (index)}<option value={JSON.stringify(work)}
            >{workName(wording, named, work)}</option
          >{/each}
      </select></label
    >
  {/if}
  <label
    >Day
    <input
      name="day"
      type="date"
      class="input input-sm mt-1 w-full"
      required
      max={dayText(later(today, 1))}
      defaultValue={entry?.day ?? dayText(today)}
    /></label
  >
  <label
    >Minutes
    <input
      name="minutes"
      type="number"
      class="input input-sm mt-1 w-full"
      min="0"
      max={LOG_BOUNDS.minutes}
      defaultValue={entry?.minutes ?? ''}
    /></label
  >
  <label
    >Tempo, ♩ a minute
    <input
      name="tempo"
      type="number"
      class="input input-sm mt-1 w-full"
      min={LOG_BOUNDS.slowest}
      max={LOG_BOUNDS.fastest}
      step="any"
      defaultValue={entry?.tempo ?? ''}
    /></label
  >
  <label
    >How it went
    <select name="outcome" class="select select-sm mt-1 w-full">
      <option value="">not said</option>
      {#each OUTCOMES as outcome (outcome)}<option value={outcome} selected={entry?.outcome === outcome}
          >{outcomeName(wording, outcome)}</option
        >{/each}
    </select></label
  >
  <label
    >How it felt
    <select name="felt" class="select select-sm mt-1 w-full">
      <option value="">not said</option>
      {#each FEELINGS as felt (felt)}<option value={felt} selected={entry?.felt === felt}
          >{feelingName(wording, felt)}</option
        >{/each}
    </select></label
  >
  <label
    >Pain
    <select name="pain" class="select select-sm mt-1 w-full">
      <option value="">none said</option>
      {#each PAINS as pain (pain)}<option value={pain} selected={entry?.pain === pain}
          >{painName(wording, pain)}</option
        >{/each}
    </select></label
  >
  <label class="col-span-full"
    >Remark
    <input
      name="remark"
      class="input input-sm mt-1 w-full"
      maxlength={LOG_BOUNDS.remark}
      defaultValue={entry?.remark ?? ''}
    /></label
  >
  <div class="col-span-full flex gap-2">
    <button class="btn btn-sm btn-primary">{entry ? 'Correct' : 'Write it down'}</button>
    <button type="button" class="btn btn-ghost btn-sm" onclick={onclose}>Leave it</button>
    {#if entry}<button class="btn btn-ghost btn-sm ml-auto text-error" name="withdrawn" value="yes"
        >Take it out of the log</button
      >{/if}
  </div>
</form>
