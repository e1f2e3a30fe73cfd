<script lang="ts">
  import { stringSign } from '@oculon/core';
  import type { TimeAxis } from '../../engraving/time-axis.ts';
  import type { PlanView } from '../../planner/api.ts';
  import { say } from '../../words.ts';
  import { layRingingLane } from './ringing-lane.ts';

  /** When each string sounds: as written, and on to where it really ends; what is to be damped. */
  const { axis, plan, width, isNamed }: { axis: TimeAxis; plan: PlanView; width: number; isNamed: boolean } =
    $props();

  const lane = $derived(layRingingLane(axis, plan));
</script>

{#each lane.rows as row (row.string)}
  <path class="row" d="M{isNamed ? 50 : 0} {row.y}H{width}" />
  {#if isNamed}<text class="string" x="47" y={row.y + 2.6}>{stringSign(row.string)}</text>{/if}
{/each}
{#each lane.lines as line, index (index)}
  <path class="sounds" d="M{line.x} {line.y}H{Math.max(line.x + 3, line.written - 2)}" />
  {#if line.until > line.written + 3}
    <path class="rings-on" d="M{line.written} {line.y}H{line.until - 2}"
      ><title>rings on past its written end</title></path
    >
    <path class="end" d="M{line.written - 1} {line.y - 3}v6" />
  {/if}
  {#if line.begins}
    <circle class="struck" class:open={line.isOpen} cx={line.x} cy={line.y} r="2.4" />
  {/if}
{/each}
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
