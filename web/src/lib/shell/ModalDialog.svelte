<script lang="ts">
  import type { Snippet } from 'svelte';

  /**
   * Something that is asked or shown over the page, which waits and does not scroll. Plain rules, not the modal of daisyUI:
   * that one searches the whole page for an open dialog whenever anything is styled, which a long sheet is felt to do.
   */
  interface Props {
    isWide?: boolean;
    /** Whether a click beside it closes it, as Escape does. */
    closesBeside?: boolean;
    /** Whether it stays until something is chosen in it. */
    isUrgent?: boolean;
    onclose?: () => void;
    children: Snippet;
  }
  const { isWide = false, closesBeside = false, isUrgent = false, onclose, children }: Props = $props();

  /** Where the pointer went down: words that are selected out over the edge do not close what they stand in. */
  let pressedBeside = false;
  const show = (dialog: HTMLDialogElement) => {
    const { style } = document.documentElement;
    dialog.showModal();
    // What takes the focus may stand at its end: it is read from its beginning.
    dialog.scrollTop = 0;
    style.overflow = 'hidden';
    return () => (style.overflow = '');
  };
</script>

<!-- Whoever has no pointer closes it by Escape. -->
<dialog
  class:wide={isWide}
  {@attach show}
  oncancel={(event) => isUrgent && event.preventDefault()}
  onclose={({ currentTarget }) => {
    // A browser lets nobody forbid it twice in a row.
    if (isUrgent && currentTarget.isConnected) currentTarget.showModal();
    else onclose?.();
  }}
  onpointerdown={({ target, currentTarget }) => (pressedBeside = target === currentTarget)}
  onclick={({ target, currentTarget }) =>
    closesBeside && pressedBeside && target === currentTarget && currentTarget.close()}
>
  <div class="content">{@render children()}</div>
</dialog>

<style>
  dialog {
    width: min(32rem, 92vw);
    max-width: none;
    max-height: calc(100dvh - 2rem);
    margin: auto;
    padding: 0;
    overflow-y: auto;
    overscroll-behavior: contain;
    border: none;
    border-radius: var(--radius-box);
    background: var(--color-base-100);
    color: var(--color-base-content);
    box-shadow: 0 25px 50px -12px rgb(0 0 0 / 0.25);
  }
  dialog::backdrop {
    background: rgb(0 0 0 / 0.4);
  }
  .wide {
    width: min(56rem, 92vw);
  }
  .content {
    padding: 1.5rem;
  }
</style>
