<script lang="ts">
  import { TriangleAlert } from '@lucide/svelte';
  import WaysOut from './WaysOut.svelte';
  import type { Workbench } from '../workbench/workbench.svelte.ts';

  interface Props {
    workbench: Workbench;
    onjump: (note: number) => void;
    ondone: () => void;
  }
  const { workbench, onjump, ondone }: Props = $props();

  const HAS_WAYS_OUT = new Set(['unplayable-note', 'held-note-cut']);

  const jump = (id: string | undefined) => {
    const note = workbench.score?.notes.find((each) => each.id === id);
    if (note) onjump(note.index);
  };
</script>

{#if workbench.plan && workbench.plan.findings.length > 0}
  <section aria-label="To look at">
    <h2 class="text-base">To look at</h2>
    <ul class="mt-1 space-y-1 text-sm">
      {#each workbench.plan.findings as finding (`${finding.code}${finding.note}`)}
        <li>
          <button
            class="flex gap-2 rounded px-1 text-left hover:bg-base-200"
            onclick={() => jump(finding.note)}
          >
            <TriangleAlert class="mt-0.5 size-4 shrink-0 text-warning" aria-label={finding.severity} />
            <span>{finding.message}</span>
          </button>
          {#if finding.note && HAS_WAYS_OUT.has(finding.code)}
            <div class="pl-7"><WaysOut {workbench} note={finding.note} {ondone} /></div>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if workbench.repairs.length > 0}
  <details class="text-sm">
    <summary class="cursor-pointer">Mended while reading ({workbench.repairs.length})</summary>
    <ul class="mt-1 list-disc space-y-1 pl-5">
      {#each workbench.repairs as repair (repair.message)}<li>{repair.message}</li>{/each}
    </ul>
  </details>
{/if}
