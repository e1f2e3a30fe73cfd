<script lang="ts">
  import { LONGEST_SENTENCE } from '@oculon/core';
  import ModalDialog from '../shell/ModalDialog.svelte';

  interface Props {
    heading: string;
    /** What stands there now. */
    text: string;
    /** What the plan says there; nothing where a sentence is added. */
    planned: string;
    isOwn: boolean;
    /** The teacher's words; nothing leaves the sentence out, undefined leaves it to the plan. */
    onsay: (text: string | undefined) => void;
    onclose: () => void;
  }
  const { heading, text, planned, isOwn, onsay, onclose }: Props = $props();

  // svelte-ignore state_referenced_locally
  let draft = $state(text);
  const isAdded = $derived(planned === '');
  const canSave = $derived(draft.trim() !== '' && draft.trim() !== text);

  const save = (): void => {
    if (canSave) onsay(draft.trim() === planned ? undefined : draft.trim());
    else onclose();
  };
</script>

<ModalDialog closesBeside {onclose}>
  <form
    class="space-y-3"
    onsubmit={(event) => {
      event.preventDefault();
      save();
    }}
  >
    <h2 class="font-serif text-lg">{heading}: in your own words</h2>
    {#if !isAdded}<p class="text-sm opacity-70">The plan says: {planned}</p>{/if}
    <!-- svelte-ignore a11y_autofocus -->
    <textarea
      class="textarea w-full"
      aria-label="Sentence"
      rows="3"
      maxlength={LONGEST_SENTENCE}
      autofocus
      bind:value={draft}
      onkeydown={(event) => {
        if (event.key !== 'Enter' || event.shiftKey) return;
        event.preventDefault();
        save();
      }}></textarea>
    <div class="flex flex-wrap justify-end gap-2">
      {#if isAdded && isOwn}
        <button type="button" class="btn btn-sm mr-auto" onclick={() => onsay(undefined)}>Take away</button>
      {:else if !isAdded}
        <button type="button" class="btn btn-sm mr-auto" onclick={() => onsay('')}>Leave out</button>
      {/if}
      {#if isOwn && !isAdded}
        <button type="button" class="btn btn-sm" onclick={() => onsay(undefined)}>As the plan says</button>
      {/if}
      <button type="button" class="btn btn-sm" onclick={onclose}>Cancel</button>
      <button class="btn btn-sm btn-primary" disabled={!canSave}>Save</button>
    </div>
  </form>
</ModalDialog>
