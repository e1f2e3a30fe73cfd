<script lang="ts">
  import type { BarDifficulty } from '@oculon/core';
  import type { Workbench } from '../workbench/workbench.svelte.ts';
  import { difficultyWords, hardestBars } from './difficulty-words.ts';

  const { workbench, onjump }: { workbench: Workbench; onjump: (note: number) => void } = $props();

  const hardest = $derived(hardestBars(workbench.plan?.difficulty ?? []));
  const shifts = $derived(workbench.plan?.shifts ?? []);
  const RIDES = {
    'open-string': 'on an open string',
    rest: 'in a rest',
    guide: 'on a guide finger',
    repeat: 'on a repeated note',
    bass: 'on a lone bass',
    none: 'on nothing',
  } as const;

  const jumpToBar = ({ bar }: BarDifficulty) => {
    const note = workbench.score?.notes.find((each) => each.bar === bar);
    if (note) onjump(note.index);
  };
  const noteAt = (onset: number) => workbench.score?.notes.find((each) => each.onset === onset);
  const barOf = (onset: number) => {
    const note = noteAt(onset);
    return note ? (workbench.score?.bars[note.bar]?.number ?? '') : '';
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
{#if shifts.length > 0}
  <details class="text-sm">
    <summary class="cursor-pointer font-serif text-base">Shifts ({shifts.length})</summary>
    <ul class="mt-1" aria-label="Shifts">
      {#each shifts as { slice, onset, from, to, rides, distance, window } (slice)}
        <li>
          <button
            class="w-full rounded px-1 text-left hover:bg-base-200"
            onclick={() => onjump(noteAt(onset)?.index ?? 0)}
          >
            <span class="font-semibold">Bar {barOf(onset)}</span>: {from} → {to}, {Math.round(distance)} mm in {Math.round(
              window,
            )} ms, {RIDES[rides]}
          </button>
        </li>
      {/each}
    </ul>
  </details>
{/if}
