<script lang="ts">
  import { enhance } from '$app/forms';
  import { weekSummaryText } from '@oculon/core';
  import { FileDown, Plus } from '@lucide/svelte';
  import { courseFrom, namedGoals, worksOf } from '../practice/course-of.ts';
  import { PRACTISING_WORDS } from '../practising/practising-words.ts';
  import { wording } from '../words.ts';
  import ChartPicture from './ChartPicture.svelte';
  import EntryForm from './EntryForm.svelte';
  import LogTable from './LogTable.svelte';
  import SpotRecords from './SpotRecords.svelte';
  import type { ActionData, PageData } from '../../routes/(app)/students/[student]/log/$types';

  const { data, form }: { data: PageData; form: ActionData } = $props();

  /** So many weeks are drawn. */
  const WEEKS_SHOWN = 26;
  let isWriting = $state(false);
  const named = $derived(namedGoals(data.course));
  const weeks = $derived(data.weeks.slice(-WEEKS_SHOWN));
  const works = $derived(worksOf(courseFrom(data.course)));
  const problems = $derived(
    Object.values((form && 'problems' in form ? form.problems : {}) as Record<string, string>),
  );
</script>

{#if form && 'done' in form && form.done}<p role="status" class="mt-3 text-sm">
    {form.done}
    {#if 'takenOut' in form && form.takenOut}<button class="link" form="put-back">Put it back</button>{/if}
  </p>{/if}
{#if form && 'takenOut' in form && form.takenOut}
  {@const { takenOut } = form}
  <form id="put-back" method="POST" action="?/write" use:enhance>
    <input type="hidden" name="id" value={crypto.randomUUID()} />
    <input type="hidden" name="work" value={JSON.stringify(takenOut.work)} />
    {#each ['corrects', 'day', 'minutes', 'tempo', 'outcome', 'felt', 'pain', 'remark'] as const as name (name)}
      <input type="hidden" {name} value={takenOut[name] ?? ''} />
    {/each}
  </form>
{/if}
{#each problems as problem (problem)}<p role="alert" class="mt-3 text-sm text-error">{problem}</p>{/each}

<div class="mt-4 grid gap-8 lg:grid-cols-[4fr_5fr]">
  <div class="min-w-0 space-y-6">
    <section aria-labelledby="week-heading">
      <h2 id="week-heading" class="text-lg">The last seven days</h2>
      <ul class="mt-1 list-disc space-y-1 pl-5 text-sm" data-testid="week">
        {#each weekSummaryText(wording, named, data.week) as sentence, index (index)}<li>
            {sentence}
          </li>{/each}
      </ul>
    </section>
    {#if weeks.length > 0}
      <section aria-labelledby="minutes-heading">
        <h2 id="minutes-heading" class="text-lg">Minutes a week</h2>
        <ChartPicture
          height={150}
          label="Minutes a week, {weeks.map(({ minutes }) => minutes).join(', ')}."
          make={({ weeksChart }) => weeksChart(wording, weeks)}
        />
      </section>
    {/if}
    <section aria-labelledby="spots-heading">
      <h2 id="spots-heading" class="text-lg">Spot by spot</h2>
      <SpotRecords {wording} words={PRACTISING_WORDS.en} {named} records={data.records} />
    </section>
  </div>
  <section class="min-w-0" aria-labelledby="log-heading">
    <div class="flex flex-wrap items-center gap-2">
      <h2 id="log-heading" class="grow text-lg">What was logged</h2>
      <button class="btn btn-sm" onclick={() => (isWriting = !isWriting)} aria-expanded={isWriting}
        ><Plus class="size-4" aria-hidden="true" /> Write an entry</button
      >
      {#if data.all > 0}<a class="btn btn-sm" href="/students/{data.student}/log/csv" download
          ><FileDown class="size-4" aria-hidden="true" /> CSV</a
        >{/if}
    </div>
    {#if isWriting}<div class="mt-2">
        <EntryForm {named} {works} today={data.today} onclose={() => (isWriting = false)} />
      </div>{/if}
    {#if data.entries.length === 0}
      <p class="mt-3 text-sm opacity-80">
        Nothing yet. The student logs on the page behind the link of the practice plan; you can write entries
        here.
      </p>
    {:else}
      <LogTable {named} entries={data.entries} today={data.today} page={data.page} writings={data.writings} />
      {#if data.pages > 1}
        <nav class="mt-2 flex items-center gap-2 text-sm" aria-label="Pages of the log">
          {#if data.page > 1}<a class="btn btn-sm" href="?page={data.page - 1}">Newer</a>{/if}
          <span>{data.page} of {data.pages}</span>
          {#if data.page < data.pages}<a class="btn btn-sm" href="?page={data.page + 1}">Older</a>{/if}
        </nav>
      {/if}
    {/if}
  </section>
</div>
