<script lang="ts">
  import { dayName, daysAhead, later, mondayOf, type Wording } from '@oculon/core';
  import { Printer } from '@lucide/svelte';
  import WeekSheet from '../practice/WeekSheet.svelte';
  import type { Practising } from './practising.svelte.ts';
  import type { PractisingWords } from './practising-words.ts';

  interface Props {
    practising: Practising;
    wording: Wording;
    words: PractisingWords;
  }
  const { practising, wording, words }: Props = $props();

  const DAYS_PER_WEEK = 7;
  const WEEKS = 2;
  const first = $derived(mondayOf(practising.today));
  const progress = $derived({ standings: practising.standings, rests: practising.rests });
  const days = $derived(daysAhead(practising.course, progress, practising.today, WEEKS * DAYS_PER_WEEK).days);
</script>

<button class="btn btn-sm my-3 print:hidden" onclick={() => window.print()}
  ><Printer class="size-4" aria-hidden="true" /> {words.print}</button
>
{#each { length: WEEKS } as _, week (week)}
  {@const monday = later(first, week * DAYS_PER_WEEK)}
  <h2 class="mt-4 mb-2 font-serif text-base">
    {dayName(wording, monday, 'short')} – {dayName(wording, later(monday, DAYS_PER_WEEK - 1), 'short')}
  </h2>
  <WeekSheet {wording} named={practising.named} {monday} {days} />
{/each}
