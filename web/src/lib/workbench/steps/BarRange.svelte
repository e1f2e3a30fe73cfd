<script lang="ts">
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';

  /** The bars that the deeds of a step are about: what is selected, or the bar at the caret. Typing selects. */
  const { piece, caret }: { piece: OpenPiece; caret: Caret } = $props();

  const bars = $derived(piece.score?.bars.length ?? 1);
  const from = $derived(caret.bars.from + 1);
  const to = $derived(caret.bars.to + 1);
  let isWrong = $state(false);

  const select = (first: number, last: number): void => {
    isWrong = !Number.isInteger(first) || !Number.isInteger(last) || first < 1 || last > bars || first > last;
    if (!isWrong) caret.selectBars(first - 1, last - 1);
  };
</script>

<div class="flex items-center gap-2">
  <label class="flex items-center gap-1"
    >Bars <input
      class="input input-sm w-16"
      type="number"
      min="1"
      max={bars}
      value={from}
      aria-invalid={isWrong}
      onchange={({ currentTarget: { valueAsNumber } }) => select(valueAsNumber, Math.max(valueAsNumber, to))}
    /></label
  >
  <label class="flex items-center gap-1"
    >to <input
      class="input input-sm w-16"
      type="number"
      min="1"
      max={bars}
      value={to}
      aria-invalid={isWrong}
      onchange={({ currentTarget: { valueAsNumber } }) =>
        select(Math.min(from, valueAsNumber), valueAsNumber)}
    /></label
  >
  <span class="text-xs opacity-80">{caret.hasSelection ? 'selected' : 'at the caret'}</span>
</div>
{#if isWrong}<p role="alert" class="text-xs text-error">
    Bars from 1 to {bars}, the first before the last.
  </p>{/if}
