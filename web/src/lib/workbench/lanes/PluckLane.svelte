<script lang="ts">
  import type { NotePlan, Score } from '@oculon/core';
  import type { SystemGeometry } from '../../engraving/geometry.ts';
  import { circlePath } from './lane.ts';
  import { layPluckLane } from './pluck-lane.ts';

  /** Who plucks when: alternation, patterns and crossings as a line through the rows of the fingers. */
  const {
    score,
    geometry,
    notes,
    isNamed,
  }: { score: Score; geometry: SystemGeometry; notes: readonly NotePlan[]; isNamed: boolean } = $props();

  const lane = $derived(layPluckLane(score, geometry, notes));
  const steps = (crosses: boolean): string =>
    lane.steps
      .filter((step) => step.crosses === crosses)
      .map(({ from, to }) => `M${from.join(' ')}L${to.join(' ')}`)
      .join('');
  const dots = (isThumb: boolean): string =>
    lane.dots
      .filter(({ letter }) => (letter === 'p') === isThumb)
      .map(({ x, y }) => circlePath(x, y, 2.6))
      .join('');
</script>

<path class="row" d={lane.rows.map(({ y }) => `M${isNamed ? 34 : 0} ${y}H${geometry.width}`).join('')} />
{#if isNamed}
  {#each lane.rows as row (row.letter)}
    <text class="letter" x="30" y={row.y + 3}>{row.letter}</text>
  {/each}
{/if}
<!-- One element for all of a kind: each would be styled, laid out and painted by itself while the music is scrolled. -->
<path class="step" d={steps(false)} />
<path class="step crosses" d={steps(true)}><title>the hand crosses</title></path>
{#each lane.dots.filter(({ repeats }) => repeats) as dot (dot.note)}
  <circle class="again" cx={dot.x} cy={dot.y} r="5"><title>{dot.letter} again</title></circle>
{/each}
<path class="dot" d={dots(false)} />
<path class="dot thumb" d={dots(true)} />

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
