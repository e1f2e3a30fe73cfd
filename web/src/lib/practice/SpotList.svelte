<script lang="ts">
  import {
    barLabel,
    spotBars,
    spotDrillName,
    spotKindName,
    englishWording,
    type Score,
    type SpotDrill,
  } from '@oculon/core';
  import type { SpotView } from '../planner/api.ts';

  interface Props {
    score: Score;
    spots: readonly SpotView[];
    /** The drill that is shown. */
    chosen: { readonly spot: string; readonly drill: SpotDrill } | undefined;
    onchoose: (spot: SpotView, drill: SpotDrill) => void;
  }
  const { score, spots, chosen, onchoose }: Props = $props();

  const wording = englishWording();
  const capital = (text: string): string => `${text[0]!.toUpperCase()}${text.slice(1)}`;
</script>

<ol class="space-y-4 text-sm">
  {#each spots as view (view.spot.id)}
    {@const { spot, ladder, drills } = view}
    <li>
      <h2 class="text-base font-semibold">
        {spot.from === spot.to ? 'Bar' : 'Bars'}
        {spotBars(score, spot)}: {spotKindName(wording, spot.kind)}
      </h2>
      <p class="opacity-80">
        {#if ladder.rungs.length > 1}From ♩ = {ladder.rungs[0]} to {ladder.rungs.at(-1)} in {ladder.rungs
            .length - 1} steps.{:else}At ♩ = {ladder.rungs[0]}.{/if}
        {#if spot.comfortable !== undefined}Usually comfortable up to {Math.round(spot.comfortable)}.{/if}
        {#if spot.returns.length > 0}The same again in bar {spot.returns
            .map((bar) => barLabel(score.bars[bar]!))
            .join(', ')}.{/if}
      </p>
      <ol class="mt-1">
        {#each drills as drill (drill)}
          {@const isShown = chosen?.spot === spot.id && chosen.drill === drill}
          <li>
            <button
              class={[
                'w-full rounded px-2 py-1 text-left hover:bg-base-200',
                isShown && 'bg-base-200 font-semibold',
              ]}
              aria-current={isShown ? 'true' : undefined}
              onclick={() => onchoose(view, drill)}>{capital(spotDrillName(wording, drill))}</button
            >
          </li>
        {/each}
      </ol>
    </li>
  {/each}
</ol>
