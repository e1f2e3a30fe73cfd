<script lang="ts">
  import { troubleText } from '../planner/asking.ts';
  import { PRICE_LIMIT, type ChoiceEffect, type NoteChoices, type PricedPlacement } from '@oculon/core';
  import { stringSign } from '@oculon/core';
  import { takeWay, WAY_KEYS } from '../workbench/commands.ts';
  import { PAUSE } from '../planner/current-plan.svelte.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';
  import { leftTermWords } from '../words.ts';
  import { priceText } from './price-text.ts';

  const { workbench, ondone }: { workbench: Workbench; ondone: () => void } = $props();

  let effects = $state.raw<ReadonlyMap<PricedPlacement, ChoiceEffect>>(new Map());
  let all = $state(false);
  let problem = $state('');

  const shown = $derived(all ? workbench.caret.ways : workbench.caret.ways.slice(0, WAY_KEYS.length));
  const isTaken = ({ string, finger }: PricedPlacement) =>
    workbench.caret.plan?.string === string && workbench.caret.plan?.finger === finger;

  // Prices follow the caret and the plan, but only once both rest.
  $effect(() => {
    const { index: caret } = workbench.caret;
    const { plan, planning } = workbench.planned;
    effects = new Map();
    all = false;
    problem = '';
    if (!plan || planning) return;
    let stopped = false;
    const isStale = () => stopped || workbench.planned.plan !== plan || workbench.caret.index !== caret;
    const ask = async () => {
      const { ways }: NoteChoices = await workbench.planned.questions.choices(caret);
      if (isStale()) return;
      workbench.caret.ways = ways;
      for (const way of ways.slice(0, WAY_KEYS.length)) {
        if (isTaken(way)) continue;
        const effect = await workbench.planned.questions.effect(caret, way);
        if (isStale()) return;
        effects = new Map(effects).set(way, effect);
      }
    };
    const timer = setTimeout(
      () =>
        void ask().catch(
          (error) =>
            (problem = troubleText(error, 'The prices could not be worked out. Load the page again.')),
        ),
      PAUSE,
    );
    return () => {
      stopped = true;
      clearTimeout(timer);
      workbench.caret.ways = [];
    };
  });

  const take = (way: PricedPlacement) => {
    takeWay(workbench, way);
    ondone();
  };
</script>

{#if problem}<p role="alert" class="text-sm text-error">{problem}</p>{/if}
{#if workbench.caret.ways.length > 0}
  <section aria-label="Ways to take this note" data-testid="ways">
    <h3 class="text-sm font-semibold">Ways to take it</h3>
    <ol class="mt-1 text-sm">
      {#each shown as way, index (index)}
        {@const effect = effects.get(way)}
        <li>
          <button
            class="grid w-full grid-cols-[1.4rem_1fr_auto] gap-x-2 rounded px-1 py-0.5 text-left hover:bg-base-200"
            class:bg-base-200={isTaken(way)}
            aria-pressed={isTaken(way)}
            onclick={() => take(way)}
          >
            <kbd class="self-center text-xs opacity-60">{WAY_KEYS[index]?.toUpperCase() ?? ''}</kbd>
            <span>
              {stringSign(way.string)}
              {way.finger === 0 ? 'open' : `fret ${way.fret}, finger ${way.finger}`}
            </span>
            <span class="tabular-nums">{priceText(way.price)}</span>
            {#if effect}
              <span class="col-start-2 col-span-2 text-xs opacity-75">
                {leftTermWords(effect.terms)}{effect.others > 0
                  ? `; ${effect.others} other ${effect.others === 1 ? 'note changes' : 'notes change'}`
                  : ''}
              </span>
            {/if}
          </button>
        </li>
      {/each}
    </ol>
    {#if workbench.caret.ways.length > WAY_KEYS.length}
      <button class="btn btn-ghost btn-xs" onclick={() => (all = !all)}>
        {all ? 'Only the best' : `${workbench.caret.ways.length - WAY_KEYS.length} more`}
      </button>
    {/if}
    <p class="mt-1 text-xs opacity-70">
      The price is what the whole piece costs the left hand more. What is not listed costs over {PRICE_LIMIT} more
      or cannot be.
    </p>
  </section>
{/if}
