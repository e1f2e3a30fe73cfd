<script lang="ts">
  import { barLabel, type ShapeCard } from '@oculon/core';
  import ShapeCardPicture from '../../lesson/ShapeCardPicture.svelte';
  import { troubleText } from '../../planner/asking.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import { noteAt } from './places.ts';

  /** The shapes of the hand in playing order; the one at the caret is framed. */
  const {
    piece,
    planned,
    caret,
    onjump,
  }: { piece: OpenPiece; planned: CurrentPlan; caret: Caret; onjump: (note: number) => void } = $props();

  let cards = $state.raw<readonly ShapeCard[]>();
  let problem = $state('');
  let list = $state<HTMLElement>();

  $effect(() => {
    if (!planned.plan || planned.planning) return;
    let isCurrent = true;
    void planned.questions.shapes().then(
      (found) => {
        if (isCurrent) cards = found;
      },
      (error: unknown) => {
        if (isCurrent) problem = troubleText(error, 'The shapes could not be found. Load the page again.');
      },
    );
    return () => {
      isCurrent = false;
    };
  });

  const score = $derived(piece.score);
  const here = $derived(cards?.findLastIndex(({ onset }) => onset <= (caret.note?.onset ?? 0)) ?? -1);
  $effect(() => {
    list?.children[here]?.scrollIntoView({ block: 'nearest' });
  });
</script>

{#if problem}<p role="alert" class="text-sm text-error">{problem}</p>{/if}
{#if score && cards}
  <ol class="grid grid-cols-3 gap-2" aria-label="Shapes" bind:this={list}>
    {#each cards as card, index (index)}
      <li>
        <button
          class="w-full rounded border p-0.5 hover:bg-base-200 {index === here
            ? 'border-secondary bg-base-200'
            : 'border-transparent'}"
          aria-current={index === here}
          onclick={() => onjump(noteAt(score, card.onset)?.index ?? 0)}
          ><ShapeCardPicture {card} label="bar {barLabel(score.bars[card.bar]!)}" /></button
        >
      </li>
    {:else}
      <li class="col-span-3 text-sm opacity-80">The left hand holds no shapes here.</li>
    {/each}
  </ol>
{:else if !problem}
  <p role="status" class="text-sm opacity-80">Looking for the shapes …</p>
{/if}
