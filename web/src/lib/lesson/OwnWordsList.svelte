<script lang="ts">
  import { barLabel, type OwnWords, type Score, type SentenceKey, type StrayWords } from '@oculon/core';

  interface Props {
    score: Score;
    /** Sentences that are left out of the walk-through that is shown. */
    leftOut: readonly StrayWords[];
    /** Words whose moment is no longer as it was. */
    stray: readonly StrayWords[];
    onreturn: (key: SentenceKey) => void;
  }
  const { score, leftOut, stray, onreturn }: Props = $props();

  const place = ({ bar }: OwnWords): string => `Bar ${score.bars[bar] ? barLabel(score.bars[bar]) : bar + 1}`;
</script>

<p class="text-xs opacity-70">
  Click a sentence to say it in your own words; a bar number in the words, or a note, to add one there.
</p>
{#if stray.length > 0}
  <section class="space-y-2 text-sm" aria-label="Your words that no longer fit">
    <h2 class="font-serif text-base">Your words that no longer fit</h2>
    <p class="opacity-70">The plan has changed there, so these are not on the sheet.</p>
    <ul class="space-y-2">
      {#each stray as { key, words } (key)}
        <li>
          <b>{place(words)}</b>
          {words.text === '' ? 'left out' : `“${words.text}”`}
          <span class="block text-xs opacity-70">The plan said then: {words.planned}</span>
          <button class="btn btn-xs" onclick={() => onreturn(key)}>Drop</button>
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if leftOut.length > 0}
  <section class="space-y-2 text-sm" aria-label="Left out">
    <h2 class="font-serif text-base">Left out</h2>
    <ul class="space-y-2">
      {#each leftOut as { key, words } (key)}
        <li>
          <b>{place(words)}</b>
          {words.planned}
          <button class="btn btn-xs" onclick={() => onreturn(key)}>Say it again</button>
        </li>
      {/each}
    </ul>
  </section>
{/if}
