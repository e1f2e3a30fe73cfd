<script lang="ts">
  import {
    dayName,
    dayText,
    feelingName,
    LOG_BOUNDS,
    mondayOf,
    outcomeName,
    OUTCOMES,
    painName,
    readDay,
    standingsAfter,
    weeksOf,
    workName,
    type LogEntry,
    type Wording,
  } from '@oculon/core';
  import type { LoggedEntry } from '../practice/course-content.ts';
  import { recordsOf, worksOf } from '../practice/course-of.ts';
  import SpotRecords from '../logbook/SpotRecords.svelte';
  import EntryFields from './EntryFields.svelte';
  import type { Practising } from './practising.svelte.ts';
  import type { PractisingWords } from './practising-words.ts';

  interface Props {
    practising: Practising;
    wording: Wording;
    words: PractisingWords;
  }
  const { practising, wording, words }: Props = $props();

  const newest = $derived(practising.log.toReversed());
  const weeks = $derived(weeksOf(practising.log, practising.today).slice(-8));
  const most = $derived(Math.max(1, ...weeks.map(({ minutes }) => minutes)));
  /** What is written now: something new, or an entry that is corrected. */
  let draft = $state.raw<{ readonly entry: LogEntry; readonly isNew: boolean }>();
  let asksAbout = $state<string>();

  const records = $derived(recordsOf(practising.course, standingsAfter(new Map(), practising.log)));
  const works = $derived(worksOf(practising.course));
  const set = (change: Partial<LogEntry>): void => {
    if (draft) draft = { ...draft, entry: { ...draft.entry, ...change } };
  };
  const add = (): void => {
    const entry = practising.entryFor({ kind: 'warm-up', minutes: 0, drill: undefined, goal: undefined })!;
    draft = { entry, isNew: true };
  };
  const save = async (): Promise<void> => {
    if (!draft) return;
    await (draft.isNew ? practising.keep(draft.entry) : practising.correct(draft.entry));
    draft = undefined;
  };
  const told = (entry: LoggedEntry): string =>
    [
      entry.minutes !== null && `${entry.minutes} ${words.minutes}`,
      entry.tempo !== null && `♩ = ${Math.round(entry.tempo)}`,
      entry.outcome && outcomeName(wording, entry.outcome),
      entry.felt && feelingName(wording, entry.felt),
      entry.pain && `⚠ ${painName(wording, entry.pain)}`,
      entry.byTeacher && words.byTeacher,
      entry.isCorrected && words.corrected,
    ]
      .filter(Boolean)
      .join(' · ');
</script>

{#snippet writing(entry: LogEntry, isNew: boolean)}
  <form
    class="my-3 grid gap-3 rounded-box bg-base-200 p-3"
    onsubmit={(event) => {
      event.preventDefault();
      void save();
    }}
  >
    {#if isNew}
      <label
        ><span class="text-sm font-medium">{words.what}</span>
        <select
          class="select mt-1 w-full"
          onchange={({ currentTarget: { selectedIndex } }) => set({ work: works[selectedIndex]! })}
        >
          {#each works as work, index (index)}<option>{workName(wording, practising.named, work)}</option
            >{/each}
        </select></label
      >
      <label
        ><span class="text-sm font-medium">{words.day}</span>
        <input
          class="input mt-1 w-full"
          type="date"
          required
          max={dayText(practising.today)}
          value={entry.day}
          onchange={({ currentTarget: { value } }) => readDay(value) !== undefined && set({ day: value })}
        /></label
      >
    {/if}
    {#if entry.work.kind === 'spot'}
      <div class="flex gap-3">
        <label class="w-28"
          ><span class="text-sm font-medium">{words.tempo}</span>
          <input
            class="input mt-1 w-full"
            type="number"
            min={LOG_BOUNDS.slowest}
            max={LOG_BOUNDS.fastest}
            step="any"
            value={entry.tempo ?? ''}
            onchange={({ currentTarget: { value } }) => set({ tempo: value === '' ? null : Number(value) })}
          /></label
        >
        <label class="grow"
          ><span class="text-sm font-medium">{words.outcome}</span>
          <select
            class="select mt-1 w-full"
            value={entry.outcome ?? ''}
            onchange={({ currentTarget: { value } }) =>
              set({ outcome: OUTCOMES.find((outcome) => outcome === value) ?? null })}
          >
            <option value="">{words.notSaid}</option>
            {#each OUTCOMES as outcome (outcome)}<option value={outcome}
                >{outcomeName(wording, outcome)}</option
              >{/each}
          </select></label
        >
      </div>
    {/if}
    <EntryFields {entry} {wording} {words} onchange={(changed) => set(changed)} />
    <div class="flex gap-2">
      <button class="btn btn-primary">{words.save}</button>
      <button type="button" class="btn btn-ghost" onclick={() => (draft = undefined)}>{words.cancel}</button>
    </div>
  </form>
{/snippet}

{#if weeks.length > 1}
  <h2 class="mt-4 text-sm font-medium">{words.perWeek}</h2>
  <ol class="weeks" aria-label={words.perWeek}>
    {#each weeks as { monday, minutes } (monday)}
      <li aria-label="{dayName(wording, mondayOf(monday), 'short')}: {minutes} {words.minutes}">
        <span class="figure">{minutes}</span><i style:height="{Math.round((56 * minutes) / most)}px"></i>
      </li>
    {/each}
  </ol>
{/if}

{#if records.some(({ record }) => record.meetings > 0)}
  <div class="mt-4"><SpotRecords {wording} {words} named={practising.named} {records} /></div>
{/if}

{#if draft?.isNew}{@render writing(draft.entry, true)}{:else}
  <button class="btn my-3" onclick={add}>{words.add}</button>
{/if}

{#if newest.length === 0}<p class="my-3 text-sm opacity-80">{words.nothingLogged}</p>{/if}
<ol>
  {#each newest as entry, index (entry.id)}
    {#if entry.day !== newest[index - 1]?.day}
      <li class="pt-4 text-sm font-semibold">{dayName(wording, readDay(entry.day)!)}</li>
    {/if}
    <li class="border-b border-base-300 py-2 text-sm">
      {#if draft && !draft.isNew && draft.entry.id === entry.id}
        <p>{workName(wording, practising.named, entry.work)}</p>
        {@render writing(draft.entry, false)}
      {:else}
        <p>{workName(wording, practising.named, entry.work)}</p>
        <p class="opacity-80">{told(entry)}</p>
        {#if entry.remark}<p class="italic">{entry.remark}</p>{/if}
        {#if asksAbout === entry.id}
          <p>
            {words.sure}
            <button
              class="btn btn-xs btn-error"
              onclick={() => {
                asksAbout = undefined;
                void practising.correct(entry, true);
              }}>{words.yes}</button
            >
            <button class="btn btn-xs btn-ghost" onclick={() => (asksAbout = undefined)}
              >{words.cancel}</button
            >
          </p>
        {:else}
          <button class="btn btn-ghost btn-xs" onclick={() => (draft = { entry, isNew: false })}
            >{words.correct}</button
          >
          <button class="btn btn-ghost btn-xs" onclick={() => (asksAbout = entry.id)}>{words.takeOut}</button>
        {/if}
      {/if}
    </li>
  {/each}
</ol>

<style>
  .weeks {
    display: flex;
    gap: 0.4rem;
    align-items: flex-end;
    min-height: 76px;
  }
  .weeks li {
    flex: 1;
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: flex-end;
  }
  .weeks i {
    width: 100%;
    max-width: 2.4rem;
    background: var(--color-secondary);
    border-radius: 2px 2px 0 0;
    min-height: 1px;
  }
  .figure {
    font-size: 0.75rem;
    font-variant-numeric: tabular-nums;
  }
</style>
