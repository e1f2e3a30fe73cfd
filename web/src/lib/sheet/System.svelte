<script lang="ts">
  import type { Essential, PlacedMark, RightSign, Score } from '@oculon/core';
  import type { SystemGeometry } from '../engraving/geometry.ts';
  import { marksKeeper } from '../engraving/laid-marks.ts';
  import { bareNote, type Origins } from '../engraving/marks.ts';
  import { laySigns, NO_ROWS } from '../engraving/sign-rows.ts';
  import { breather, type DrawingQueue } from '../engraving/drawing-queue.ts';
  import { drawSystem } from '../engraving/vexflow-system.ts';
  import type { PlanView } from '../planner/api.ts';
  import SystemLayer from './SystemLayer.svelte';

  interface Props {
    score: Score;
    first: number;
    widths: readonly number[];
    plan: PlanView | undefined;
    marks: readonly PlacedMark[];
    hiddenWords: ReadonlySet<string>;
    origin: Origins;
    caret: number;
    changed: ReadonlySet<string>;
    nearTies: ReadonlySet<number>;
    everyString: boolean;
    /** The marks to show; all of them when missing. */
    essential: ReadonlyMap<number, Essential> | undefined;
    ringing: ReadonlyMap<number, number>;
    rightSigns: readonly RightSign[];
    queue: DrawingQueue;
    ondrawn: () => void;
    onpick: (note: number) => void;
  }
  const {
    score,
    first,
    widths,
    plan,
    marks: placed,
    hiddenWords,
    origin,
    caret,
    changed,
    nearTies,
    everyString,
    essential,
    ringing,
    rightSigns,
    queue,
    ondrawn,
    onpick,
  }: Props = $props();

  /** Systems this far outside the window are drawn with those inside, in px. */
  const NEAR = 80;

  let geometry = $state.raw<SystemGeometry>();

  // The engraving is drawn once for a width; only the layer above follows the plan.
  const engrave = (holder: HTMLElement) => {
    let gone = false;
    const leave = queue.add({
      isNear: () => {
        const { top, bottom } = holder.parentElement!.getBoundingClientRect();
        return bottom > -NEAR && top < innerHeight + NEAR;
      },
      draw: async () => {
        const drawn = await drawSystem(holder, score, first, widths, breather());
        if (gone) return;
        geometry = drawn;
        ondrawn();
      },
    });
    return () => {
      gone = true;
      leave();
      holder.replaceChildren();
    };
  };

  /** Before the first plan every note stands bare. */
  const notes = $derived(plan?.notes ?? score.notes.map(bareNote));
  const lay = marksKeeper();
  const marks = $derived(
    geometry &&
      lay({
        score,
        geometry,
        notes,
        marks: placed,
        origin,
        everyString,
        essential,
      }),
  );
  const laid = $derived(geometry && marks ? laySigns(geometry, marks, rightSigns) : NO_ROWS);
</script>

<div
  class="system"
  data-first-bar={first + 1}
  style:height={marks ? `${marks.bottom + laid.height - marks.top}px` : '170px'}
  style:width="{geometry?.width ?? 0}px"
  class:waiting={!geometry}
>
  <div class="engraving" style:top="{marks ? -marks.top : 0}px" {@attach engrave}></div>
  {#if geometry && marks}
    <SystemLayer
      {score}
      {geometry}
      {marks}
      {caret}
      {changed}
      {nearTies}
      {ringing}
      signs={laid}
      {hiddenWords}
      {onpick}
      hasPlan={plan !== undefined}
    />
  {/if}
</div>

<style>
  .system {
    position: relative;
    overflow: visible;
    break-inside: avoid;
    margin-bottom: 0.5rem;
  }
  .engraving {
    position: absolute;
    left: 0;
    pointer-events: none;
  }
  /* VexFlow paints some strokes black or grey whatever it is told; on dark paper they must follow the ink. */
  .engraving :global(:is(g, path)[stroke]:not([stroke='none'])) {
    stroke: currentColor;
  }
  .engraving :global(:is(path, rect, text)[fill]:not([fill='none'])) {
    fill: currentColor;
  }
</style>
