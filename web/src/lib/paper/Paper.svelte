<script lang="ts">
  import type { Snippet } from 'svelte';

  /** A sheet as it will be printed: on a screen it lies there with its margins, and is shown smaller where it may be. */
  let {
    width,
    margin,
    fits = false,
    element = $bindable(),
    isComplete,
    language,
    fontSize,
    children,
  }: {
    /** Between the margins, in px. */
    width: number;
    /** Around it, on a screen, in px. */
    margin: number;
    /** Whether it is shown smaller where it is wider than its place; otherwise one scrolls. */
    fits?: boolean;
    element?: HTMLElement | undefined;
    isComplete: boolean;
    language?: string;
    fontSize?: number;
    children: Snippet;
  } = $props();

  // Told after each layout: to ask for them would lay the page out at once.
  let around = $state<DOMRectReadOnly>();
  let size = $state<ResizeObserverSize[]>();
  const place = $derived(around?.width ?? 0);
  const height = $derived(size?.[0]?.blockSize ?? 0);
  const fit = $derived(fits && place > 0 ? Math.min(1, place / (width + 2 * margin)) : 1);
</script>

<!-- No property that all music inherits: each of its signs would be styled anew whenever the paper grows. -->
<div
  class="place"
  bind:contentRect={around}
  style:height={fit < 1 ? `${height * fit}px` : undefined}
  class:fitted={fit < 1}
>
  <div
    class="paper"
    data-theme="oculon"
    style:width="{width}px"
    style:--margin="{margin}px"
    style:--fit={fit}
    style:font-size={fontSize === undefined ? undefined : `${fontSize}px`}
    lang={language}
    bind:this={element}
    bind:borderBoxSize={size}
    data-complete={isComplete}
  >
    {@render children()}
  </div>
</div>

<style>
  .paper {
    background: white;
    color: black;
    --color-base-100: white;
    --color-base-content: black;
    --color-secondary: black;
    --color-primary: black;
    margin-inline: auto;
    font-family: var(--font-serif);
  }
  @media print {
    .fitted {
      height: auto !important;
    }
  }
  @media screen {
    .paper {
      box-sizing: content-box;
      padding: var(--margin);
      box-shadow: 0 1px 8px rgb(0 0 0 / 0.25);
    }
    .fitted {
      overflow: hidden;
    }
    .fitted .paper {
      transform: scale(var(--fit));
      transform-origin: top left;
    }
  }
</style>
