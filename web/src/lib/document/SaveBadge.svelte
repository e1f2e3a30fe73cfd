<script lang="ts">
  import { CloudAlert, CloudCheck, CloudOff, CloudUpload, TriangleAlert } from '@lucide/svelte';
  import { slotsOf, valueAfter, type Score } from '@oculon/core';
  import type { SaveQueue } from './save-queue.svelte.ts';
  import { conflictWords } from './conflict-words.ts';

  const { saving, score }: { saving: SaveQueue; score: Score | undefined } = $props();
  /** What was set aside, in words. */
  const refused = $derived(
    score
      ? saving.aside.flatMap(({ edit }) =>
          slotsOf(edit).map((slot) =>
            conflictWords(score, { slot, mine: valueAfter(edit, slot), theirs: undefined }),
          ),
        )
      : [],
  );
  const waiting = $derived(saving.waiting === 1 ? 'one change waits' : `${saving.waiting} changes wait`);
  const aside = $derived(
    saving.aside.length === 1
      ? 'One change was not accepted'
      : `${saving.aside.length} changes were not accepted`,
  );
</script>

<span class="flex items-center gap-1 text-sm" role="status" data-save-state={saving.state}>
  {#if saving.state === 'saved'}
    <CloudCheck class="size-4" aria-hidden="true" /> saved
  {:else if saving.state === 'saving'}
    <CloudUpload class="size-4" aria-hidden="true" /> saving …
  {:else if saving.state === 'offline'}
    <CloudOff class="size-4 text-warning" aria-hidden="true" /> no connection, {waiting}
    <button class="btn btn-ghost btn-xs" onclick={() => saving.send()}>try now</button>
  {:else if saving.state === 'trouble'}
    <CloudAlert class="size-4 text-warning" aria-hidden="true" /> the server is in trouble, {waiting}
    <button class="btn btn-ghost btn-xs" onclick={() => saving.send()}>try now</button>
  {:else if saving.state === 'asking'}
    <TriangleAlert class="size-4 text-warning" aria-hidden="true" /> a question is open
  {:else if saving.state === 'denied'}
    <TriangleAlert class="size-4 text-error" aria-hidden="true" /> the server does not know you, {waiting};
    load the page again
  {:else}
    <TriangleAlert class="size-4 text-error" aria-hidden="true" /> this piece was deleted, {waiting}; export
    what you need
  {/if}
</span>
{#if saving.aside.length > 0}
  <details class="dropdown dropdown-end">
    <summary class="btn btn-warning btn-xs" data-testid="aside">{aside}</summary>
    <div
      class="dropdown-content z-30 mt-1 w-72 rounded-box border border-base-300 bg-base-100 p-3 text-sm shadow"
    >
      <p>
        {aside} by the server and set aside, so that everything after could be saved. The sheet shows what is saved.
        What was set aside is kept in this browser.
      </p>
      <ul class="mt-2 list-disc pl-5">
        {#each refused as { what, mine }, index (index)}<li>{what}: {mine}</li>{/each}
      </ul>
      <div class="mt-2 flex gap-2">
        <button class="btn btn-xs" onclick={() => saving.tryAside()}>Send again</button>
        <button class="btn btn-ghost btn-xs" onclick={() => saving.dropAside()}>Let go of it</button>
      </div>
    </div>
  </details>
{/if}
