<script lang="ts">
  import { stringSign } from '@oculon/core';
  import type { TimeAxis } from '../../engraving/time-axis.ts';
  import type { PlanView } from '../../planner/api.ts';
  import { say } from '../../words.ts';
  import { circlePath } from './lane.ts';
  import { layRingingLane } from './ringing-lane.ts';

  /** When each string sounds: as written, and on to where it really ends; what is to be damped. */
  const { axis, plan, width, isNamed }: { axis: TimeAxis; plan: PlanView; width: number; isNamed: boolean } =
    $props();

  const lane = $derived(layRingingLane(axis, plan));
  const ringingOn = $derived(lane.lines.filter(({ until, written }) => until > written + 3));
  const struck = (isOpen: boolean): string =>
    lane.lines
      .filter((line) => line.begins && line.isOpen === isOpen)
      .map(({ x, y }) => circlePath(x, y, 2.4))
      .join('');
</script>

<path class="row" d={lane.rows.map(({ y }) => `M${isNamed ? 50 : 0} ${y}H${width}`).join('')} />
{#if isNamed}
  {#each lane.rows as row (row.string)}
    <text class="string" x="47" y={row.y + 2.6}>{stringSign(row.string)}</text>
  {/each}
{/if}
<!-- One element for all of a kind: each would be styled, laid out and painted by itself while the music is scrolled. -->
<path
  class="sounds"
  d={lane.lines.map(({ x, y, written }) => `M${x} ${y}H${Math.max(x + 3, written - 2)}`).join('')}
/>
{#if ringingOn.length > 0}
  <path
    class="rings-on"
    d={ringingOn.map(({ y, written, until }) => `M${written} ${y}H${until - 2}`).join('')}
    ><title>rings on past its written end</title></path
  >
  <path class="end" d={ringingOn.map(({ y, written }) => `M${written - 1} ${y - 3}v6`).join('')} />
{/if}
<path class="struck" d={struck(false)} />
<path class="struck open" d={struck(true)} />
{#each lane.damping as mark, index (index)}
  <path class="damp {mark.grade}" d="M{mark.x - 3.5} {mark.y - 3.5}l7 7m0 -7l-7 7"
    ><title>{stringSign(mark.string)} {mark.grade} be damped: {say(`means.${mark.means}`)}</title></path
  >
{/each}

<style>
  .row {
    stroke: var(--color-base-300);
    stroke-width: 0.5;
  }
  .string {
    font: 8px var(--font-sans);
    fill: currentColor;
    text-anchor: end;
  }
  .sounds {
    stroke: var(--color-secondary);
    stroke-width: 2.6;
  }
  .rings-on {
    stroke: var(--color-secondary);
    stroke-width: 1.2;
    stroke-dasharray: 3 2;
    fill: none;
  }
  .end {
    stroke: currentColor;
    stroke-width: 0.8;
  }
  .struck {
    fill: var(--color-secondary);
    stroke: var(--color-secondary);
  }
  .struck.open {
    fill: var(--color-base-100);
  }
  .damp {
    stroke: var(--color-primary);
    stroke-width: 1.6;
    fill: none;
  }
  .damp.may {
    stroke-width: 1;
    stroke-opacity: 0.7;
  }
</style>
