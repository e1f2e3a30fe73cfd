<script lang="ts">
  import { untrack } from 'svelte';
  import { take } from '../commands/deeds.ts';
  import Part from '../../Part.svelte';
  import Neck from '../neck/Neck.svelte';
  import type { Workbench } from '../workbench.svelte.ts';
  import ChangesPanel from './ChangesPanel.svelte';
  import NotePanel from './NotePanel.svelte';

  /** What is always in sight, whatever the step: the hand on the neck, and the note at the caret with its choices. */
  const {
    workbench,
    ondone,
    onjump,
  }: { workbench: Workbench; ondone: () => void; onjump: (note: number) => void } = $props();

  const { planned, caret, choices, view, decisions, piece } = $derived(workbench);

  // Prices follow the caret and the plan, but only once both rest.
  $effect(() => {
    const { index } = caret;
    const { plan, planning } = planned;
    if (!plan || planning) return;
    return untrack(() => choices.find(index));
  });
</script>

<div class="parts">
  {#if planned.plan}
    <Part name="The neck">
      <Neck
        plan={planned.plan}
        onset={caret.note?.onset ?? 0}
        {choices}
        capo={decisions.setup.capo ?? piece.score?.capo ?? 0}
        leftHanded={view.leftHanded}
        ontake={(way) => {
          take(workbench, { hand: 'left', way });
          ondone();
        }}
      />
    </Part>
  {/if}
  <div class="note"><Part name="The note"><NotePanel {workbench} {ondone} /></Part></div>
  <Part name="What changed"><ChangesPanel {piece} {planned} {onjump} /></Part>
</div>

<style>
  .parts {
    display: flex;
    flex-direction: column;
  }
  /* Where there is little room the note itself comes first. */
  @media (max-width: 44rem) {
    .note {
      order: -1;
    }
  }
</style>
