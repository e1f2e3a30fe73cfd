<script lang="ts">
  import { conflictWords } from './conflict-words.ts';
  import type { OpenPiece } from '../workbench/open-piece.svelte.ts';
  import type { Decisions } from '../document/decisions.svelte.ts';

  const { piece, decisions }: { piece: OpenPiece; decisions: Decisions } = $props();

  const show = (dialog: HTMLDialogElement) => {
    dialog.showModal();
  };
</script>

{#if decisions.conflict && piece.score}
  {@const { conflicts, decide } = decisions.conflict}
  <dialog class="modal" {@attach show} oncancel={(event) => event.preventDefault()}>
    <div class="modal-box">
      <h2 class="text-lg">Decided in two places</h2>
      <p class="mt-1 text-sm">This was also decided in another window. Nothing is lost until you choose.</p>
      <table class="table table-sm mt-2">
        <thead><tr><th>What</th><th>Here</th><th>In the other window</th></tr></thead>
        <tbody>
          {#each conflicts as conflict, index (index)}
            {@const { what, mine, theirs } = conflictWords(piece.score, conflict)}
            <tr><td>{what}</td><td>{mine}</td><td>{theirs}</td></tr>
          {/each}
        </tbody>
      </table>
      <div class="modal-action">
        <button class="btn" onclick={() => decide(false)}>Take the other window's</button>
        <button class="btn btn-primary" onclick={() => decide(true)}>Keep what is here</button>
      </div>
    </div>
  </dialog>
{/if}
