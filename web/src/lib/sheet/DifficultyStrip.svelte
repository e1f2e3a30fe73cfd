<script lang="ts">
  import type { BarDifficulty } from '@oculon/core';
  import type { OpenPiece } from '../workbench/open-piece.svelte.ts';
  import type { CurrentPlan } from '../planner/current-plan.svelte.ts';
  import type { Caret } from '../workbench/caret.svelte.ts';
  import { difficultyWords } from '../words.ts';

  /** One column a bar, as high as the bar is hard; a click goes there. */
  const {
    piece,
    planned,
    caret,
    onjump,
  }: { piece: OpenPiece; planned: CurrentPlan; caret: Caret; onjump: (note: number) => void } = $props();

  const bars = $derived(planned.plan?.difficulty ?? []);
  const barAtCaret = $derived(caret.note?.bar);
  const jump = ({ bar }: BarDifficulty) => {
    const note = piece.score?.notes.find((each) => each.bar === bar);
    if (note) onjump(note.index);
  };
</script>

{#if bars.length > 0}
  <div class="strip" role="group" aria-label="Difficulty of the bars">
    {#each bars as each (each.bar)}
      <button
        class="column"
        class:here={each.bar === barAtCaret}
        class:hard={each.level > 6.5}
        aria-label="Bar {each.number}, {difficultyWords(each)}"
        title="Bar {each.number}: {difficultyWords(each)}"
        onclick={() => jump(each)}
      >
        <span style:height="{6 + each.level * 9.4}%"></span>
      </button>
    {/each}
  </div>
{/if}

<style>
  .strip {
    display: flex;
    align-items: stretch;
    gap: 2px;
    height: 2.1rem;
    margin: 0 4px 0.5rem;
  }
  .column {
    flex: 1;
    display: flex;
    align-items: flex-end;
    cursor: pointer;
    border-radius: 2px;
  }
  .column span {
    width: 100%;
    background: color-mix(in oklab, var(--color-secondary) 45%, transparent);
    border-radius: 2px 2px 0 0;
  }
  /* Hard bars are hatched too, so that colour is not needed to tell. */
  .hard span {
    background: repeating-linear-gradient(
      135deg,
      var(--color-warning) 0 3px,
      color-mix(in oklab, var(--color-warning) 55%, transparent) 3px 6px
    );
  }
  .here {
    box-shadow: 0 2px 0 var(--color-base-content);
  }
  .column:hover {
    background: var(--color-base-200);
  }
</style>
