<script lang="ts">
  import { CloudCheck, CloudOff, CloudUpload, TriangleAlert } from '@lucide/svelte';
  import type { SaveQueue } from '../workbench/save-queue.svelte.ts';

  const { saving }: { saving: SaveQueue } = $props();
  const waiting = $derived(saving.waiting === 1 ? 'one change waits' : `${saving.waiting} changes wait`);
</script>

<span class="flex items-center gap-1 text-sm" role="status" data-save-state={saving.state}>
  {#if saving.state === 'saved'}
    <CloudCheck class="size-4" aria-hidden="true" /> saved
  {:else if saving.state === 'saving'}
    <CloudUpload class="size-4" aria-hidden="true" /> saving …
  {:else if saving.state === 'offline'}
    <CloudOff class="size-4 text-warning" aria-hidden="true" /> no connection, {waiting}
    <button class="btn btn-ghost btn-xs" onclick={() => saving.send()}>try now</button>
  {:else if saving.state === 'asking'}
    <TriangleAlert class="size-4 text-warning" aria-hidden="true" /> a question is open
  {:else}
    <TriangleAlert class="size-4 text-error" aria-hidden="true" /> not accepted, {waiting}; load the page
    again
  {/if}
</span>
