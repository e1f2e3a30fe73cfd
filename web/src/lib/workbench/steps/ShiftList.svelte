<script lang="ts">
  import { pitchLabel, romanNumeral, type Shift } from '@oculon/core';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import { placeWords, say } from '../../words.ts';
  import type { Caret } from '../caret.svelte.ts';
  import { noteAt } from './places.ts';
  import ShiftWays from './ShiftWays.svelte';

  interface Props {
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    caret: Caret;
    onjump: (note: number) => void;
    ondone: () => void;
  }
  const { piece, decisions, planned, caret, onjump, ondone }: Props = $props();

  const score = $derived(piece.score);
  const shifts = $derived(planned.plan?.shifts ?? []);

  /** Whether the caret stands where the hand arrives. */
  const isHere = ({ onset }: Shift) => caret.note?.onset === onset;
  const nameOf = (sound: number) => {
    const note = score?.notes[planned.plan?.heads[sound] ?? -1];
    return note ? pitchLabel(note.sounding) : '';
  };
</script>

{#if score && planned.plan && shifts.length === 0}
  <p class="text-sm opacity-80">The hand stays where it is.</p>
{:else if score && shifts.length > 0}
  <section class="text-sm" data-testid="shifts">
    <ul class="mt-1 space-y-1" aria-label="Shifts">
      {#each shifts as shift, index (index)}
        <li>
          <button
            class={['w-full rounded px-1 text-left hover:bg-base-200', isHere(shift) && 'bg-base-200']}
            aria-current={isHere(shift)}
            onclick={() => onjump(noteAt(score, shift.onset)?.index ?? 0)}
          >
            <span class="font-semibold capitalize">{placeWords(score, shift.onset)}</span>: {romanNumeral(
              shift.from,
            )} → {romanNumeral(shift.to)},
            {Math.round(shift.distance)} mm {say(`ride.${shift.rides}`)}, {Math.round(shift.speed)} mm/s
          </button>
          <div class="pl-2 text-xs opacity-80">
            Leave {Math.round(shift.travel)} ms before it{#if shift.cuts.length > 0}; {shift.cuts
                .map(({ sound, ms }) => `${nameOf(sound)} ends ${Math.round(ms)} ms early`)
                .join(', ')}{/if}.
          </div>
          <div class="pl-2"><ShiftWays {piece} {decisions} {planned} slice={shift.slice} {ondone} /></div>
        </li>
      {/each}
    </ul>
  </section>
{/if}
