<script lang="ts">
  import { barreWords, type BarreCare } from '@oculon/core';
  import { placeWords } from '../../words.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import { noteAt } from './places.ts';
  import WithoutBarre from './WithoutBarre.svelte';

  interface Props {
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    onjump: (note: number) => void;
    ondone: () => void;
  }
  const { piece, decisions, planned, onjump, ondone }: Props = $props();

  const score = $derived(piece.score);
  const barres = $derived(planned.movements?.barreCare ?? []);
  const onsetOf = (slice: number) => planned.plan?.positions[slice]?.onset;
  const where = (slice: number) => {
    const onset = onsetOf(slice);
    return score && onset !== undefined ? placeWords(score, onset) : 'the end';
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
</script>

{#if score && barres.length > 0}
  <section class="text-sm" data-testid="barres">
    <h3 class="font-serif text-base">Barres ({barres.length})</h3>
    <ul class="mt-1 space-y-1" aria-label="Barres">
      {#each barres as care, index (index)}
        {@const { barre } = care}
        <li>
          <button
            class="w-full rounded px-1 text-left hover:bg-base-200"
            onclick={() => onjump(noteAt(score, barre.onset)?.index ?? 0)}
          >
            <span class="font-semibold capitalize">{placeWords(score, barre.onset)}</span>: {barreWords({
              ...barre,
              extent: barre.kind,
              finger: barre.finger as 1 | 2 | 3 | 4,
            })}, {care.seconds.toFixed(1)} s, until {where(care.release)}{advice(care)
              ? ` – ${advice(care)}`
              : ''}
          </button>
          <div class="pl-2">
            <WithoutBarre {decisions} {planned} onset={barre.onset} until={barre.until} {ondone} />
          </div>
        </li>
      {/each}
    </ul>
    <p class="mt-1 text-xs opacity-80">
      General advice: a barre is weight from the arm, not pressure of the thumb. Stop when it hurts, and ask a
      doctor or hand therapist if it stays.
    </p>
  </section>
{/if}
