<script lang="ts">
  import type { BarDifficulty } from '@oculon/core';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import { difficultyWords } from '../../words.ts';
  import { hardestBars } from './hardest-bars.ts';

  const {
    piece,
    planned,
    onjump,
  }: { piece: OpenPiece; planned: CurrentPlan; onjump: (note: number) => void } = $props();

  const hardest = $derived(hardestBars(planned.plan?.difficulty ?? []));

  const jumpToBar = ({ bar }: BarDifficulty) => {
    const note = piece.score?.notes.find((each) => each.bar === bar);
    if (note) onjump(note.index);
  };
</script>

{#if hardest.length > 0}
  <section aria-label="Hardest bars" class="text-sm">
    <h2 class="text-base">Hardest bars</h2>
    <ul class="mt-1">
      {#each hardest as each (each.bar)}
        <li>
          <button class="w-full rounded px-1 text-left hover:bg-base-200" onclick={() => jumpToBar(each)}>
            <span class="font-semibold">Bar {each.number}</span>: {difficultyWords(each)}{each.reasons
              .length > 0
              ? ` – ${each.reasons.map(({ term }) => term).join(', ')}`
              : ''}
          </button>
        </li>
      {/each}
    </ul>
  </section>
{/if}
