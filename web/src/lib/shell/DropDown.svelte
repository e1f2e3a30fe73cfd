<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { ClassValue } from 'svelte/elements';

  interface Props {
    /** What stands on the button. */
    button: Snippet;
    /** Said of the button where it shows no words. */
    label?: string;
    buttonClass: ClassValue;
    /** Said of what opens, and how it looks. */
    panelLabel: string;
    panelClass: ClassValue;
    /** `close` closes it. */
    children: Snippet<[close: () => void]>;
  }
  /** A button under which something opens; it closes with Escape and with a press anywhere else. */
  const { button, label, buttonClass, panelLabel, panelClass, children }: Props = $props();

  let isOpen = $state(false);
  let place = $state<HTMLElement>();
  const onpointerdown = (event: PointerEvent) => {
    if (isOpen && !place?.contains(event.target as Node)) isOpen = false;
  };
  const onkeydown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') isOpen = false;
  };
</script>

<svelte:window {onpointerdown} {onkeydown} />

<span class="relative" bind:this={place}>
  <button class={buttonClass} aria-label={label} aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}
    >{@render button()}</button
  >
  {#if isOpen}
    <div
      role="group"
      aria-label={panelLabel}
      class={[
        'absolute z-30 mt-1 rounded-box border border-base-300 bg-base-100 shadow print:hidden',
        panelClass,
      ]}
    >
      {@render children(() => (isOpen = false))}
    </div>
  {/if}
</span>
