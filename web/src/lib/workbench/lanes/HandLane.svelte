<script lang="ts">
  import { romanNumeral } from '@oculon/core';
  import type { TimeAxis } from '../../engraving/time-axis.ts';
  import type { PlanView } from '../../planner/api.ts';
  import { say } from '../../words.ts';
  import type { HandCourse } from './hand-course.ts';
  import { layHandLane } from './hand-lane.ts';

  /** Where the hand lies on the neck over time: higher up is nearer the body. */
  const { axis, plan, course }: { axis: TimeAxis; plan: PlanView; course: HandCourse } = $props();

  const lane = $derived(layHandLane(axis, plan, course));
</script>

{#each lane.bands as band (band.onset)}
  <rect class="band" x={band.x} y={band.y} width={band.width} height={band.height} rx="3"
    ><title>position {romanNumeral(band.position)}</title></rect
  >
  <text class="position" x={band.x + 9} y={band.y + Math.min(band.height - 1.5, 10)}
    >{romanNumeral(band.position)}</text
  >
{/each}
{#each lane.barres as barre (barre.onset)}
  <rect class="barre" x={barre.x} y={barre.y} width={barre.width} height={barre.height} rx="1.5"
    ><title>barre at fret {barre.fret}</title></rect
  >
{/each}
{#each lane.held as line, index (index)}
  <path class="held" d="M{line.x} {line.y}H{line.until}"><title>{line.finger} stays</title></path>
{/each}
{#each lane.shifts as shift (shift.onset)}
  {@const [[x, y], [toX, toY]] = [shift.from, shift.to]}
  <g data-shift={shift.onset}>
    <title
      >{romanNumeral(shift.positions[0])} to {romanNumeral(shift.positions[1])}, {say(`ride.${shift.rides}`)}, {Math.round(
        shift.window,
      )} ms</title
    >
    <path class="shift {shift.rides}" d="M{x} {y}L{toX} {toY}" />
    <circle class="arrival {shift.rides}" cx={toX} cy={toY} r="2.4" />
    <text class="window" x={toX + 5} y="10">{Math.round(shift.window)} ms</text>
  </g>
{/each}

<style>
  .band {
    fill: color-mix(in oklab, var(--color-secondary) 22%, transparent);
  }
  .position {
    font: 600 8.5px var(--font-serif);
    fill: var(--color-secondary);
  }
  .barre {
    fill: var(--color-secondary);
    fill-opacity: 0.75;
  }
  .held {
    stroke: var(--color-secondary);
    stroke-width: 1.4;
    fill: none;
  }
  .shift {
    fill: none;
    stroke: var(--color-secondary);
    stroke-width: 1.6;
    stroke-dasharray: 4 2.5;
  }
  /* A finger leads: one unbroken line. */
  .shift.guide {
    stroke-dasharray: none;
  }
  /* Nothing helps: heavier, and in another colour. */
  .shift.none {
    stroke: var(--color-primary);
    stroke-width: 2.4;
    stroke-dasharray: none;
  }
  .arrival {
    fill: var(--color-secondary);
  }
  .arrival.none {
    fill: var(--color-primary);
  }
  .window {
    font: 8.5px var(--font-sans);
    fill: currentColor;
    fill-opacity: 0.85;
    paint-order: stroke;
    stroke: var(--color-base-100);
    stroke-width: 3px;
  }
</style>
