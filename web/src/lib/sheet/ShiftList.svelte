<script lang="ts">
  import { placeText, pitchLabel, type Shift } from '@oculon/core';
  import type { ShiftWay } from '../planner/api.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';
  import { RIDE_WORDS } from './movement-words.ts';
  import { noteAt } from './places.ts';
  import { termWords } from './words.ts';

  interface Props {
    workbench: Workbench;
    onjump: (note: number) => void;
    ondone: () => void;
  }
  const { workbench, onjump, ondone }: Props = $props();

  const score = $derived(workbench.score);
  const shifts = $derived(workbench.plan?.shifts ?? []);

  let asked = $state<number>();
  let found = $state.raw<{
    readonly plan: unknown;
    readonly slice: number;
    readonly ways: readonly ShiftWay[];
  }>();
  let problem = $state('');
  const ways = $derived(found && found.plan === workbench.plan ? found : undefined);

  const ask = async ({ slice }: Shift) => {
    const { plan } = workbench;
    asked = slice;
    problem = '';
    try {
      found = { plan, slice, ways: await workbench.planner.shiftWays(slice) };
    } catch {
      problem = 'The other places could not be worked out. Load the page again.';
    } finally {
      asked = undefined;
    }
  };
  const nameOf = (sound: number) => {
    const note = workbench.plan && noteAt(score, workbench.plan.sounds[sound]!);
    return note ? pitchLabel(note.sounding) : '';
  };
  const take = (way: ShiftWay) => {
    workbench.chooseAll(way.choices);
    ondone();
  };
</script>

{#if score && shifts.length > 0}
  <details class="text-sm" data-testid="shifts">
    <summary class="cursor-pointer font-serif text-base">Shifts ({shifts.length})</summary>
    <ul class="mt-1 space-y-1" aria-label="Shifts">
      {#each shifts as shift (shift.slice)}
        <li>
          <button
            class="w-full rounded px-1 text-left hover:bg-base-200"
            onclick={() => onjump(noteAt(score, shift.onset)?.index ?? 0)}
          >
            <span class="font-semibold capitalize">{placeText(score, shift.onset)}</span>: {shift.from} → {shift.to},
            {Math.round(shift.distance)} mm {RIDE_WORDS[shift.rides]}, {Math.round(shift.speed)} mm/s
          </button>
          <div class="pl-2 text-xs opacity-80">
            Leave {Math.round(shift.travel)} ms before it{#if shift.cuts.length > 0}; {shift.cuts
                .map(({ sound, ms }) => `${nameOf(sound)} ends ${Math.round(ms)} ms early`)
                .join(', ')}{/if}.
            <button
              class="btn btn-ghost btn-xs"
              disabled={workbench.planning || asked !== undefined}
              onclick={() => ask(shift)}
              >Other places{#if asked === shift.slice}<span
                  class="loading loading-dots loading-xs"
                  aria-label="Searching"
                ></span>{/if}</button
            >
          </div>
          {#if ways?.slice === shift.slice}
            <ul class="space-y-1 pl-3" aria-label="Other places for the shift">
              {#each ways.ways as way (way.onset)}
                <li>
                  <button class="btn btn-xs" onclick={() => take(way)}
                    >{way.isEarlier ? 'Earlier' : 'Later'}: {placeText(score, way.onset)}</button
                  >
                  <span class="text-xs"
                    >+{way.price.toFixed(1)}, {RIDE_WORDS[way.rides]}; {termWords(way.terms)}</span
                  >
                </li>
              {:else}
                <li class="text-xs opacity-80">No other moment is worth a thought.</li>
              {/each}
            </ul>
          {/if}
        </li>
      {/each}
    </ul>
    {#if problem}<p role="alert" class="text-xs text-error">{problem}</p>{/if}
  </details>
{/if}
