<script lang="ts">
  import { placeText, barreWords, type BarreCare } from '@oculon/core';
  import type { MovementWay } from '../planner/api.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';
  import { noteAt } from './places.ts';
  import { termWords } from './words.ts';

  interface Props {
    workbench: Workbench;
    onjump: (note: number) => void;
    ondone: () => void;
  }
  const { workbench, onjump, ondone }: Props = $props();

  const score = $derived(workbench.score);
  const barres = $derived(workbench.movements?.barreCare ?? []);
  const onsetOf = (slice: number) => workbench.plan?.positions[slice]?.onset;
  const where = (slice: number) => {
    const onset = onsetOf(slice);
    return score && onset !== undefined ? placeText(score, onset) : 'the end';
  };
  const advice = ({ advice: all, set, release }: BarreCare): string =>
    all
      .map((each) => {
        switch (each) {
          case 'set-early':
            return `set it early, at ${where(set)}`;
          case 'release-early':
            return `release it at ${where(release)}, nothing needs it longer`;
          case 'lay-down-from-tip':
            return `let the first finger lie down from its tip when the barre is needed`;
          case 'lift-base':
            return 'lift the base of the finger so that the open string beside it sounds';
        }
      })
      .join('; ');

  let asking = $state<number>();
  let found = $state.raw<{
    readonly plan: unknown;
    readonly onset: number;
    readonly way: MovementWay | undefined;
  }>();
  let problem = $state('');
  const without = $derived(found && found.plan === workbench.plan ? found : undefined);

  const ask = async ({ barre: { onset, until } }: BarreCare) => {
    const { plan } = workbench;
    asking = onset;
    problem = '';
    try {
      found = { plan, onset, way: await workbench.planner.withoutBarre(onset, until) };
    } catch {
      problem = 'The way without it could not be worked out. Load the page again.';
    } finally {
      asking = undefined;
    }
  };
  const take = (way: MovementWay) => {
    workbench.chooseAll(way.choices);
    ondone();
  };
</script>

{#if score && barres.length > 0}
  <details class="text-sm" data-testid="barres">
    <summary class="cursor-pointer font-serif text-base">Barres ({barres.length})</summary>
    <ul class="mt-1 space-y-1" aria-label="Barres">
      {#each barres as care (`${care.barre.onset} ${care.barre.finger}`)}
        {@const { barre } = care}
        <li>
          <button
            class="w-full rounded px-1 text-left hover:bg-base-200"
            onclick={() => onjump(noteAt(score, barre.onset)?.index ?? 0)}
          >
            <span class="font-semibold capitalize">{placeText(score, barre.onset)}</span>: {barreWords({
              ...barre,
              extent: barre.kind,
              finger: barre.finger as 1 | 2 | 3 | 4,
            })}, {care.seconds.toFixed(1)} s, until {where(care.release)}{advice(care)
              ? ` – ${advice(care)}`
              : ''}
          </button>
          <button
            class="btn btn-ghost btn-xs"
            disabled={workbench.planning || asking !== undefined}
            onclick={() => ask(care)}
            >Without it{#if asking === barre.onset}<span
                class="loading loading-dots loading-xs"
                aria-label="Searching"
              ></span>{/if}</button
          >
          {#if without?.onset === barre.onset}
            {#if without.way}
              {@const { way } = without}
              <span class="pl-1 text-xs"
                >{way.price >= 0 ? '+' : '−'}{Math.abs(way.price).toFixed(1)}: {termWords(way.terms)}</span
              >
              <button class="btn btn-xs" onclick={() => take(way)}>Take it</button>
            {:else}
              <span class="pl-1 text-xs">Its notes cannot be held without one.</span>
            {/if}
          {/if}
        </li>
      {/each}
    </ul>
    <p class="mt-1 text-xs opacity-80">
      General advice: a barre is weight from the arm, not pressure of the thumb. Stop when it hurts, and ask a
      doctor or hand therapist if it stays.
    </p>
    {#if problem}<p role="alert" class="text-xs text-error">{problem}</p>{/if}
  </details>
{/if}
