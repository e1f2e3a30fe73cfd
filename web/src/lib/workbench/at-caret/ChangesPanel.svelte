<script lang="ts">
  import { barLabel, pitchLabel, type NotePlan } from '@oculon/core';
  import { stringSign } from '@oculon/core';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';

  const {
    piece,
    planned,
    onjump,
  }: { piece: OpenPiece; planned: CurrentPlan; onjump: (note: number) => void } = $props();

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

{#if planned.changes.length > 0 && piece.score}
  <details class="text-xs" data-testid="changes">
    <summary class="cursor-pointer"
      >{planned.changes.length === 1
        ? 'One note changed'
        : `${planned.changes.length} notes changed`}</summary
    >
    <ul class="mt-1 max-h-32 overflow-y-auto" aria-label="What changed">
      {#each planned.changes as change (change.note)}
        {@const note = piece.score.notes[change.note]!}
        <li>
          <button class="w-full rounded px-1 text-left hover:bg-base-200" onclick={() => onjump(change.note)}>
            <span class="opacity-70">bar {barLabel(piece.score.bars[note.bar]!)}</span>
            {pitchLabel(note.sounding)}: {describe(change.before, change.after)}
          </button>
        </li>
      {/each}
    </ul>
  </details>
{/if}
