<script lang="ts" module>
  /** First and last bar as they are typed, counted from 1. */
  export interface TypedRange {
    from: number;
    to: number;
  }
</script>

<script lang="ts">
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';

  const { piece, caret, range }: { piece: OpenPiece; caret: Caret; range: TypedRange } = $props();

  const bars = $derived(piece.score?.bars.length ?? 1);
  const isValid = $derived(
    Number.isInteger(range.from) &&
      Number.isInteger(range.to) &&
      range.from >= 1 &&
      range.to <= bars &&
      range.from <= range.to,
  );
  const barAtCaret = $derived((caret.note?.bar ?? 0) + 1);
  const useCaret = () => {
    const length = Math.max(0, range.to - range.from);
    range.from = barAtCaret;
    range.to = Math.min(bars, barAtCaret + length);
  };
</script>

<div class="flex items-center gap-2">
  <label class="flex items-center gap-1"
    >Bars <input
      class="input input-sm w-14"
      type="number"
      min="1"
      max={bars}
      bind:value={range.from}
      aria-invalid={!isValid}
    /></label
  >
  <label class="flex items-center gap-1"
    >to <input
      class="input input-sm w-14"
      type="number"
      min="1"
      max={bars}
      bind:value={range.to}
      aria-invalid={!isValid}
    /></label
  >
  <button class="btn btn-ghost btn-sm" onclick={useCaret}>from the caret</button>
</div>
{#if !isValid}<p class="text-xs text-error">Bars from 1 to {bars}, the first before the last.</p>{/if}
