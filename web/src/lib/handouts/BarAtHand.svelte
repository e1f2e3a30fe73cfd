<script lang="ts">
  import { barLabel, type Score } from '@oculon/core';
  import { ChevronLeft, ChevronRight, X } from '@lucide/svelte';
  import type { WalkView } from '../planner/api.ts';
  import AskForm from './AskForm.svelte';
  import type { StudentWords } from './student-words.ts';

  interface Props {
    words: StudentWords;
    score: Score;
    /** The bar that was tapped, counted from 0. */
    bar: number;
    /** What is told of it. */
    line: WalkView | undefined;
    /** Whether anything is told of the piece at all. */
    isTold: boolean;
    form: { asked?: number; trouble?: 'unreadable' | 'too-many' } | null;
    ongo: (bar: number) => void;
    onclose: () => void;
  }
  const { words, score, bar, line, isTold, form, ongo, onclose }: Props = $props();

  let askedAbout = $state<number>();
  const asks = $derived(askedAbout === bar);
</script>

<section class="here" aria-label={words.thisBar}>
  <div class="row">
    <button
      class="btn btn-sm btn-square"
      aria-label={words.barBefore}
      disabled={bar === 0}
      onclick={() => ongo(bar - 1)}><ChevronLeft class="size-4" /></button
    >
    <b>{words.bar} {barLabel(score.bars[bar]!)}</b>
    <button
      class="btn btn-sm btn-square"
      aria-label={words.barAfter}
      disabled={bar === score.bars.length - 1}
      onclick={() => ongo(bar + 1)}><ChevronRight class="size-4" /></button
    >
    <button
      class="btn btn-ghost btn-sm"
      aria-expanded={asks}
      onclick={() => (askedAbout = asks ? undefined : bar)}>{words.ask}</button
    >
    <button class="btn btn-ghost btn-sm btn-square ml-auto" aria-label={words.close} onclick={onclose}
      ><X class="size-4" /></button
    >
  </div>
  {#if line}
    {#if line.from !== line.to}<p class="small">{line.heading}</p>{/if}
    <ul>
      {#each line.sentences as { text }, place (place)}<li>{text}</li>{/each}
    </ul>
  {:else if isTold}<p class="small">{words.nothingNew}</p>{/if}
  {#if asks}
    <AskForm {words} {bar} refused={form?.trouble} onsent={() => (askedAbout = undefined)} />
  {:else if form?.asked === bar}<p role="status" class="text-sm">{words.sent}</p>{/if}
</section>

<style>
  .here {
    max-height: 40vh;
    overflow-y: auto;
    padding: 0.6rem 1rem;
    background: var(--color-base-100);
    border-top: 1px solid var(--color-base-300);
    box-shadow: 0 -4px 12px rgb(0 0 0 / 0.08);
  }
  .here .row {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.4rem;
  }
  .small {
    font-size: 0.85rem;
    opacity: 0.75;
  }
  ul {
    list-style: disc;
    padding-left: 1.2rem;
  }
</style>
