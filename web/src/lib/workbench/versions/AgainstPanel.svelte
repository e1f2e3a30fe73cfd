<script lang="ts">
  import { barLabel, pitchLabel, stringSign, type Score } from '@oculon/core';
  import { Columns2, X } from '@lucide/svelte';
  import { untrack } from 'svelte';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import DifficultyChart from '../../versions/DifficultyChart.svelte';
  import { leftTermWords, rightTermWords } from '../../words.ts';
  import type { Against } from './against.svelte.ts';

  interface Props {
    against: Against;
    planned: CurrentPlan;
    score: Score;
    /** What the version at hand is called. */
    name: string;
    onjump: (note: number) => void;
  }
  /** Where the version at hand and another differ: on the sheet, in a list, in words, and bar by bar. */
  const { against, planned, score, name, onjump }: Props = $props();

  // Another plan is another comparison, once it stands.
  $effect(() => {
    if (!planned.plan || planned.planning) return;
    untrack(() => void against.compare().catch(() => (against.problem = 'This could not be compared.')));
  });

  const compared = $derived(against.compared);
  type Taking = NonNullable<typeof compared>['differences'][number]['one'];
  const taking = ({ string, fret, finger, pluck }: Taking): string =>
    string === undefined
      ? 'left out'
      : `${stringSign(string)} ${finger === 0 ? 'open' : `fret ${fret}, ${finger}`}${pluck ? ` ${pluck}` : ''}`;
</script>

<section aria-labelledby="against-name" data-testid="against" class="space-y-2 text-sm">
  <header class="flex items-center justify-between gap-2">
    <h2 id="against-name" class="flex items-center gap-2 text-lg">
      <Columns2 class="size-4" aria-hidden="true" /> Against “{against.version?.name}”
    </h2>
    <button class="btn btn-ghost btn-sm btn-square" aria-label="Close" onclick={() => against.close()}
      ><X class="size-4" /></button
    >
  </header>
  {#if against.problem}<p role="alert" class="text-error">{against.problem}</p>{/if}
  {#if !compared}
    {#if !against.problem}<p role="status">Both are being planned …</p>{/if}
  {:else if compared.differences.length === 0}
    <p>Both take every note alike.</p>
  {:else}
    <p>
      {compared.differences.length} of {compared.sounds} notes are taken otherwise there; the sheet shows how. In
      the other version: {leftTermWords(compared.terms)}; {rightTermWords(compared.rightTerms)}.
    </p>
    <p class="text-xs opacity-80">
      Effort of the left hand {compared.effort.one.left.toFixed(1)} here, {compared.effort.other.left.toFixed(
        1,
      )} there; of the right {compared.effort.one.right.toFixed(1)} and {compared.effort.other.right.toFixed(
        1,
      )}.
    </p>
    <DifficultyChart
      one={compared.difficulty.one}
      other={compared.difficulty.other}
      names={[name, against.version?.name ?? '']}
    />
    <ul aria-label="Notes that differ">
      {#each compared.differences as each (each.note)}
        {@const note = score.notes[each.note]!}
        <li>
          <button class="w-full rounded px-1 text-left hover:bg-base-200" onclick={() => onjump(each.note)}>
            <span class="opacity-80">bar {barLabel(score.bars[note.bar]!)}</span>
            {pitchLabel(note.sounding)}: {taking(each.one)} → {taking(each.other)}
          </button>
        </li>
      {/each}
    </ul>
  {/if}
</section>
