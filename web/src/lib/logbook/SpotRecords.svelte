<script lang="ts">
  import { forecastText, workName, type Ladder, type NamedGoal, type SpotRecord } from '@oculon/core';
  import { wording } from '../words.ts';
  import ChartPicture from './ChartPicture.svelte';

  interface Props {
    named: readonly NamedGoal[];
    records: readonly {
      readonly goal: string;
      readonly spot: string;
      readonly ladder: Ladder;
      readonly record: SpotRecord;
    }[];
  }
  const { named, records }: Props = $props();

  const met = $derived(records.filter(({ record }) => record.meetings > 0));
  let chosen = $state(0);
  const shown = $derived(met[Math.min(chosen, met.length - 1)]);
  const nameOf = ({ goal, spot }: { readonly goal: string; readonly spot: string }): string =>
    workName(wording, named, { kind: 'spot', goal, spot, drill: null });
</script>

{#if met.length === 0}
  <p class="text-sm opacity-80">No spot was met yet.</p>
{:else}
  <div class="overflow-x-auto">
    <table class="table table-sm">
      <thead><tr><th>Spot</th><th>Clean at</th><th>Went well</th><th></th></tr></thead>
      <tbody>
        {#each met as each, index (`${each.goal} ${each.spot}`)}
          {@const { ladder, record } = each}
          {@const share = record.cleanMeetings / record.meetings}
          <tr class={shown === each ? 'bg-base-200' : ''}>
            <td
              ><button
                class="link-hover text-left"
                aria-pressed={shown === each}
                onclick={() => (chosen = index)}>{nameOf(each)}</button
              ></td
            >
            <td class="whitespace-nowrap tabular-nums"
              >{record.passed < 0 ? '–' : Math.round(ladder.rungs[record.passed]!)} / {Math.round(
                ladder.rungs.at(-1)!,
              )}</td
            >
            <td class="whitespace-nowrap tabular-nums">
              <span class="share" aria-hidden="true"><i style:width="{Math.round(100 * share)}%"></i></span>
              {record.cleanMeetings} of {record.meetings}
            </td>
            <td
              >{#if record.standsStill}<span class="badge badge-sm badge-warning">stands still</span>{/if}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  {#if shown}
    <p class="mt-3 text-sm">{nameOf(shown)}: {forecastText(wording, shown.record.forecast)}</p>
    {#if shown.record.tempi.length > 0}
      {#key shown}
        <ChartPicture
          height={220}
          label="Clean tempi of {nameOf(shown)} by day, from {Math.round(
            shown.record.tempi[0]!.tempo,
          )} to {Math.round(shown.record.tempi.at(-1)!.tempo)}; its target is {Math.round(
            shown.ladder.rungs.at(-1)!,
          )}."
          make={({ tempoChart }) => tempoChart(wording, shown.ladder, shown.record)}
        />
      {/key}
      <p class="text-xs opacity-70">
        Clean tempi by day; broken lines: the target, and the forecast in its band that holds in about four
        cases of five. The lines across are rungs of the ladder.
      </p>
    {/if}
  {/if}
{/if}

<style>
  .share {
    display: inline-block;
    width: 4rem;
    height: 0.5rem;
    margin-right: 0.3rem;
    background: var(--color-base-300);
    border-radius: 2px;
    overflow: hidden;
  }
  .share i {
    display: block;
    height: 100%;
    background: var(--color-secondary);
  }
</style>
