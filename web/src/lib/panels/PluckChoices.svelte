<script lang="ts">
  import type { PricedPluck } from '@oculon/core';
  import { setPluck } from '../workbench/commands.ts';
  import { PAUSE } from '../planner/current-plan.svelte.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';
  import { priceText } from './price-text.ts';

  /** Fingers that could pluck the note at the caret, by price. */
  const { workbench, ondone }: { workbench: Workbench; ondone: () => void } = $props();

  let plucks = $state.raw<readonly PricedPluck[]>([]);

  // Prices follow the caret and the plan, but only once both rest.
  $effect(() => {
    const { index: caret } = workbench.caret;
    const { plan, planning } = workbench.planned;
    plucks = [];
    if (!plan || planning) return;
    let stopped = false;
    const timer = setTimeout(() => {
      void workbench.planned.questions.pluckChoices(caret).then(
        (priced) => {
          if (!stopped) plucks = priced;
        },
        // The panel of the left hand tells when the planner has stopped.
        () => undefined,
      );
    }, PAUSE);
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
  });
</script>

{#if plucks.length > 0}
  <section aria-label="Fingers to pluck it" data-testid="plucks" class="text-sm">
    <h3 class="font-semibold">Fingers to pluck it</h3>
    <div class="mt-1 flex flex-wrap gap-1">
      {#each plucks as { pluck, price } (pluck)}
        <button
          class="btn btn-sm"
          class:btn-secondary={workbench.caret.plan?.pluck === pluck}
          onclick={() => {
            setPluck(pluck)(workbench);
            ondone();
          }}
          ><i class="font-serif">{pluck}</i>
          <span class="text-xs tabular-nums opacity-70">{priceText(price)}</span></button
        >
      {/each}
    </div>
  </section>
{/if}
