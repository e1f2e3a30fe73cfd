<script lang="ts">
  import { barLabel, pitchLabel, type NotePlan } from '@oculon/core';
  import { stringSign } from '@oculon/core';
  import type { Workbench } from '../workbench/workbench.svelte.ts';

  const { workbench, onjump }: { workbench: Workbench; onjump: (note: number) => void } = $props();

  const place = (note: NotePlan): string =>
    note.string === undefined
      ? 'nowhere'
      : `${stringSign(note.string)} ${note.finger === 0 ? 'open' : `fret ${note.fret}, finger ${note.finger}`}`;
  const describe = (before: NotePlan, after: NotePlan): string => {
    const parts: string[] = [];
    if (before.string !== after.string || before.finger !== after.finger)
      parts.push(`${place(before)} → ${place(after)}`);
    if (before.pluck !== after.pluck) parts.push(`${before.pluck ?? '–'} → ${after.pluck ?? '–'}`);
    return parts.join('; ');
  };
</script>

{#if workbench.changes.length > 0 && workbench.score}
  <section aria-label="What changed" data-testid="changes">
    <h2 class="text-base">
      {workbench.changes.length === 1 ? 'One note changed' : `${workbench.changes.length} notes changed`}
    </h2>
    <ul class="mt-1 max-h-48 overflow-y-auto text-sm">
      {#each workbench.changes as change (change.note)}
        {@const note = workbench.score.notes[change.note]!}
        <li>
          <button class="w-full rounded px-1 text-left hover:bg-base-200" onclick={() => onjump(change.note)}>
            <span class="opacity-70">bar {barLabel(workbench.score.bars[note.bar]!)}</span>
            {pitchLabel(note.sounding)}: {describe(change.before, change.after)}
          </button>
        </li>
      {/each}
    </ul>
  </section>
{/if}
