<script lang="ts">
  import ModalDialog from '../shell/ModalDialog.svelte';

  interface Props {
    piece: { readonly id: string; readonly title: string; readonly composer: string };
    onclose: () => void;
    onrenamed: () => void;
  }
  const { piece, onclose, onrenamed }: Props = $props();

  // svelte-ignore state_referenced_locally
  let title = $state(piece.title);
  // svelte-ignore state_referenced_locally
  let composer = $state(piece.composer);
  let problem = $state('');

  const save = async (event: SubmitEvent) => {
    event.preventDefault();
    const response = await fetch(`/api/pieces/${piece.id}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ title, composer }),
    }).catch(() => undefined);
    if (response?.ok) return onrenamed();
    problem =
      response?.status === 404
        ? 'The piece is no longer there; it may have been deleted in another window.'
        : 'The name could not be saved. Check the connection and try again.';
  };
</script>

<ModalDialog {onclose}>
  <form class="space-y-3" onsubmit={save}>
    <h2 class="text-lg">Name the piece</h2>
    <label class="floating-label">
      <span>Title</span>
      <input class="input w-full" bind:value={title} required maxlength="300" placeholder="Title" />
    </label>
    <label class="floating-label">
      <span>Composer</span>
      <input class="input w-full" bind:value={composer} maxlength="300" placeholder="Composer" />
    </label>
    <p class="text-sm opacity-70">The file the piece came from keeps the names that stand in it.</p>
    {#if problem}<p role="alert" class="text-sm text-error">{problem}</p>{/if}
    <div class="mt-6 flex justify-end gap-2">
      <button type="button" class="btn" onclick={onclose}>Cancel</button>
      <button class="btn btn-primary" disabled={title.trim() === ''}>Save</button>
    </div>
  </form>
</ModalDialog>
