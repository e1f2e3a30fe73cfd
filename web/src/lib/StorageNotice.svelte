<script lang="ts">
  import { onMount } from 'svelte';
  import { storageLack } from './browser-storage.svelte.ts';

  onMount(() => void storageLack.find());

  const WORDS = {
    choices: 'paper or lamp light is chosen anew each time',
    edits: 'changes made without a connection are lost when the page is closed before they are saved',
    both: 'paper or lamp light is chosen anew each time, and changes made without a connection are lost when the page is closed before they are saved',
  } as const;
</script>

{#if storageLack.lack && storageLack.lack !== 'nothing'}
  <div role="status" class="alert alert-warning rounded-none text-sm" data-testid="storage-notice">
    <span
      >This browser keeps nothing for Oculon: {WORDS[storageLack.lack]}. Everything else works. Allow site
      data for this address to change that.</span
    >
    <button class="btn btn-xs" onclick={() => storageLack.seen()}>I see</button>
  </div>
{/if}
