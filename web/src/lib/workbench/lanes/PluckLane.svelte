<script lang="ts">
  import type { NotePlan, Score } from '@oculon/core';
  import type { SystemGeometry } from '../../engraving/geometry.ts';
  import { layPluckLane } from './pluck-lane.ts';

  /** Who plucks when: alternation, patterns and crossings as a line through the rows of the fingers. */
  const {
    score,
    geometry,
    notes,
    isNamed,
  }: { score: Score; geometry: SystemGeometry; notes: readonly NotePlan[]; isNamed: boolean } = $props();

  const lane = $derived(layPluckLane(score, geometry, notes));
</script>

{#each lane.rows as row (row.letter)}
  <path class="row" d="M{isNamed ? 34 : 0} {row.y}H{geometry.width}" />
  {#if isNamed}<text class="letter" x="30" y={row.y + 3}>{row.letter}</text>{/if}
{/each}
{#each lane.steps as step, index (index)}
  <path class="step" class:crosses={step.crosses} d="M{step.from[0]} {step.from[1]}L{step.to[0]} {step.to[1]}"
    >{#if step.crosses}<title>the hand crosses</title>{/if}</path
  >
{/each}
{#each lane.dots as dot (dot.note)}
  {#if dot.repeats}<circle class="again" cx={dot.x} cy={dot.y} r="5"><title>{dot.letter} again</title></circle
    >{/if}
  <circle class="dot" class:thumb={dot.letter === 'p'} cx={dot.x} cy={dot.y} r="2.6" />
{/each}

<style>
  .row {
    stroke: var(--color-base-300);
    stroke-width: 0.6;
  }
  .letter {
    font: italic 9.5px var(--font-serif);
    fill: currentColor;
    text-anchor: end;
  }
  .step {
    stroke: color-mix(in oklab, var(--color-secondary) 60%, transparent);
    stroke-width: 1;
    fill: none;
  }
  .step.crosses {
    stroke: var(--color-primary);
    stroke-width: 1.8;
    stroke-dasharray: 3 1.5;
  }
  .dot {
    fill: var(--color-secondary);
  }
  .dot.thumb {
    fill: currentColor;
  }
  .again {
    fill: none;
    stroke: var(--color-primary);
  }
</style>
