<script lang="ts">
  import { forecastText, workName, type NamedGoal, type Wording } from '@oculon/core';
  import type { RecordedSpot } from '../practice/course-of.ts';
  import type { PractisingWords } from '../practising/practising-words.ts';
  import ChartPicture from './ChartPicture.svelte';

  interface Props {
    wording: Wording;
    words: PractisingWords;
    named: readonly NamedGoal[];
    records: readonly RecordedSpot[];
  }
  const { wording, words, named, records }: Props = $props();

  const met = $derived(records.filter(({ record }) => record.meetings > 0));
  let chosen = $state(0);
  const shown = $derived(met[Math.min(chosen, met.length - 1)]);
  const nameOf = ({ goal, spot }: RecordedSpot): string =>
    workName(wording, named, { kind: 'spot', goal, spot: spot.id, drill: null });
</script>

{#if met.length === 0}
  <p class="text-sm opacity-80">{words.noSpotMet}</p>
{:else}
  <div class="overflow-x-auto">
    <table class="table table-sm">
      <thead><tr><th>{words.spot}</th><th>{words.cleanAt}</th><th>{words.wentWell}</th><th></th></tr></thead>
      <tbody>
        {#each met as each, index (`${each.goal} ${each.spot.id}`)}
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
              {record.cleanMeetings} / {record.meetings}
            </td>
            <td
              >{#if record.standsStill}<span class="badge badge-sm badge-warning">{words.standsStill}</span
                >{/if}</td
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
          label="{nameOf(shown)}: ♩ = {Math.round(shown.record.tempi[0]!.tempo)} – {Math.round(
            shown.record.tempi.at(-1)!.tempo,
          )}, {words.target} {Math.round(shown.ladder.rungs.at(-1)!)}"
          make={({ tempoChart }) => tempoChart(wording, shown.ladder, shown.record)}
        />
      {/key}
      <p class="text-xs opacity-70">{words.chart}</p>
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
