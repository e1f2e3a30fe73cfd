<script lang="ts">
  import type { Score } from '@oculon/core';
  import type { SystemGeometry } from '../../engraving/geometry.ts';
  import { timeAxis } from '../../engraving/time-axis.ts';
  import type { PlanView } from '../../planner/api.ts';
  import HandLane from './HandLane.svelte';
  import type { HandCourse } from './hand-course.ts';
  import { LANE_HEIGHTS, LANE_NAMES, type Lane } from './lane.ts';
  import PluckLane from './PluckLane.svelte';
  import RingingLane from './RingingLane.svelte';

  interface Props {
    score: Score;
    geometry: SystemGeometry;
    plan: PlanView;
    course: HandCourse;
    lanes: readonly Lane[];
    /** Tick of the note at the caret. */
    here: number | undefined;
    /** Whether the lanes are named: not where a line only goes on. */
    isNamed: boolean;
    onpick: (note: number) => void;
  }
  const { score, geometry, plan, course, lanes, here, isNamed, onpick }: Props = $props();

  const axis = $derived(timeAxis(score, geometry));
  const tops = $derived(
    lanes.map((_, index) => lanes.slice(0, index).reduce((sum, lane) => sum + LANE_HEIGHTS[lane], 0)),
  );
  const height = $derived(lanes.reduce((sum, lane) => sum + LANE_HEIGHTS[lane], 0));
  const caretX = $derived(
    here !== undefined && here >= axis.from && here < axis.until ? axis.xAt(here) : undefined,
  );

  /** A click anywhere in the lanes goes to what is struck there. */
  const pick = (event: MouseEvent & { currentTarget: SVGSVGElement }): void => {
    const matrix = event.currentTarget.getScreenCTM();
    if (!matrix) return;
    const { x } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const heads = geometry.heads.filter(({ note }) => score.notes[note]!.tiedFrom === undefined);
    const nearest = heads.reduce<(typeof heads)[number] | undefined>(
      (best, head) => (!best || Math.abs(head.x - x) < Math.abs(best.x - x) ? head : best),
      undefined,
    );
    if (nearest) onpick(nearest.note);
  };
</script>

<!-- The keyboard walks the notes through the sheet itself. -->
<svg
  class="lanes"
  width={geometry.width}
  {height}
  viewBox="0 0 {geometry.width} {height}"
  role="presentation"
  onclick={pick}
>
  {#if caretX !== undefined}
    <rect class="here" x={caretX - 7} y="0" width="14" {height} rx="3" />
  {/if}
  {#each lanes as lane, index (lane)}
    <g transform="translate(0 {tops[index]})" data-lane={lane}>
      <path class="edge" d="M0 0.5H{geometry.width}" />
      {#if isNamed}<text class="name" x="1" y="10">{LANE_NAMES[lane]}</text>{/if}
      {#if lane === 'hand'}
        <HandLane {axis} {plan} {course} />
      {:else if lane === 'pluck'}
        <PluckLane {score} {geometry} notes={plan.notes} {isNamed} />
      {:else}
        <RingingLane {axis} {plan} width={geometry.width} {isNamed} />
      {/if}
    </g>
  {/each}
</svg>

<style>
  .lanes {
    display: block;
    cursor: pointer;
    overflow: hidden;
  }
  .edge {
    stroke: var(--color-base-300);
    stroke-dasharray: 2 2;
  }
  .name {
    font: 9.5px var(--font-sans);
    fill: currentColor;
    fill-opacity: 0.75;
  }
  .here {
    fill: color-mix(in oklab, var(--color-warning) 18%, transparent);
  }
</style>
