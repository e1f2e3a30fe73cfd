<script lang="ts">
  import { barLabel, withOwnWords } from '@oculon/core';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { WalkView } from '../../planner/api.ts';
  import { Outdated } from '../../planner/asking.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import { LESSON_WORDS } from '../../lesson/lesson-words.ts';

  interface Props {
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    caret: Caret;
  }
  const { piece, decisions, planned, caret }: Props = $props();

  let told = $state.raw<readonly WalkView[]>([]);
  let problem = $state('');

  const score = $derived(piece.score);
  const bar = $derived(caret.note?.bar ?? 0);

  $effect(() => {
    if (!planned.plan || planned.planning) return;
    void planned.questions.walk('bars', 'en', 'letters').then(
      (lines) => {
        told = lines;
        problem = '';
      },
      (error) => {
        if (!(error instanceof Outdated)) problem = 'The words could not be found. Load the page again.';
      },
    );
  });

  /** What is said of the bar at the caret, in the teacher's own words where there are any. */
  const here = $derived.by(() => {
    if (!score) return [];
    const newLine = (at: number, sentences: WalkView['sentences']): WalkView => ({
      from: at,
      to: at,
      depth: 'bars',
      sentences,
      heading: `${LESSON_WORDS.en.bar} ${barLabel(score.bars[at]!)}`,
    });
    return withOwnWords(score, told, decisions.fingering.words, 'en', newLine).filter(
      ({ from, to, depth }) => depth === 'bars' && bar >= from && bar <= to,
    );
  });
</script>

{#if score}
  <section class="text-sm" data-testid="walk">
    <h3 class="font-serif text-base">In words</h3>
    {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
    {#each here as line (line.from)}
      <p class="mt-1 font-semibold">{line.heading}</p>
      <ul class="list-disc pl-5">
        {#each line.sentences.filter(({ text }) => text !== '') as { id, text } (id)}<li>{text}</li>{/each}
      </ul>
    {:else}
      <p class="mt-1 opacity-80">
        {told.length > 0
          ? `Bar ${barLabel(score.bars[bar]!)}: nothing new, the student goes on as before.`
          : 'Finding the words …'}
      </p>
    {/each}
  </section>
{/if}
