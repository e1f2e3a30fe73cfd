<script lang="ts">
  import ModalDialog from '../shell/ModalDialog.svelte';
  import { conflictWords } from './conflict-words.ts';
  import type { Score } from '@oculon/core';
  import type { Decisions } from './decisions.svelte.ts';

  interface Props {
    score: Score;
    conflict: NonNullable<Decisions['conflict']>;
  }
  const { score, conflict }: Props = $props();
  const { conflicts, decide } = $derived(conflict);
</script>

<ModalDialog isUrgent>
  <h2 class="text-lg">Decided in two places</h2>
  <p class="mt-1 text-sm">This was also decided in another window. Nothing is lost until you choose.</p>
  <table class="table table-sm mt-2">
    <thead><tr><th>What</th><th>Here</th><th>In the other window</th></tr></thead>
    <tbody>
      {#each conflicts as each, index (index)}
        {@const { what, mine, theirs } = conflictWords(score, each)}
        <tr><td>{what}</td><td>{mine}</td><td>{theirs}</td></tr>
      {/each}
    </tbody>
  </table>
  <div class="mt-6 flex justify-end gap-2">
    <button class="btn" onclick={() => decide(false)}>Take the other window's</button>
    <button class="btn btn-primary" onclick={() => decide(true)}>Keep what is here</button>
  </div>
</ModalDialog>
