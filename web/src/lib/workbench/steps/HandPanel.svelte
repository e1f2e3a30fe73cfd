<script lang="ts">
  import { barLabel, type Edit, type HandPoint } from '@oculon/core';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { VersionMessage } from '../../planner/api.ts';
  import { versionMessage } from '../../versions/comparison.ts';
  import { handReasonWords, takenOtherwise } from './hand-words.ts';

  interface Props {
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    /** The version that this one was made from. */
    origin: { readonly name: string; readonly edits: readonly Edit[] };
    student: string;
    onjump: (note: number) => void;
    /** Plays a version from a bar on. */
    onhear: (version: VersionMessage, bar: number) => void;
    ondone: () => void;
  }
  const { piece, decisions, planned, origin, student, onjump, onhear, ondone }: Props = $props();

  let points = $state.raw<readonly HandPoint[]>();
  let problem = $state('');

  const score = $derived(piece.score);
  const there = $derived(versionMessage(origin.edits));
  const open = $derived((points ?? []).filter(({ isFixed }) => !isFixed));

  $effect(() => {
    const { plan, planning } = planned;
    if (!plan || planning) return;
    let isCurrent = true;
    void planned.handPoints(there).then(
      (found) => {
        if (isCurrent) points = found;
      },
      () => {
        if (isCurrent) problem = 'The versions could not be compared. Load the page again.';
      },
    );
    return () => {
      isCurrent = false;
    };
  });

  const bars = ({ notes }: HandPoint): string => {
    const label = (bar: number) => barLabel(score!.bars[bar]!);
    const [from, to] = [notes[0]!.bar, notes.at(-1)!.bar];
    return from === to ? `Bar ${label(from)}` : `Bars ${label(from)}–${label(to)}`;
  };
  const keepAll = (): void => {
    decisions.chooseAll(open.flatMap(({ asHere }) => asHere));
    ondone();
  };
  const decide = (changes: HandPoint['asHere']): void => {
    decisions.chooseAll(changes);
    ondone();
  };
</script>

{#if score}
  <section class="text-sm" data-testid="hand">
    <h3 class="font-serif text-base">
      For {student}’s hand{points ? ` (${open.length})` : ''}
    </h3>
    {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
    {#if !points}
      <p role="status" class="opacity-70">Comparing with “{origin.name}” …</p>
    {:else if points.length === 0}
      <p class="opacity-80">Every note is taken as in “{origin.name}”.</p>
    {:else}
      <p class="opacity-80">What differs from “{origin.name}”, and why.</p>
      <ul class="mt-2 space-y-3" aria-label="What differs for this hand">
        {#each points as point (point.notes[0]!.note)}
          <li>
            <button
              class="rounded px-1 text-left font-semibold hover:bg-base-200"
              onclick={() => onjump(point.notes[0]!.note)}>{bars(point)}</button
            >
            {#if point.isFixed}<span class="badge badge-sm">kept</span>{/if}
            <ul class="pl-2">
              {#each point.notes as each (each.note)}<li>{takenOtherwise(score, each)}</li>{/each}
            </ul>
            <p class="pl-2 text-xs opacity-80">{handReasonWords(point.why)}</p>
            <div class="mt-1 flex flex-wrap gap-1 pl-2">
              {#if !point.isFixed}
                <button class="btn btn-xs" onclick={() => decide(point.asHere)}>Keep</button>
              {/if}
              <button class="btn btn-xs" onclick={() => decide(point.asThere)}>As before</button>
              <button class="btn btn-ghost btn-xs" onclick={() => onjump(point.notes[0]!.note)}>Change</button
              >
              <button class="btn btn-ghost btn-xs" onclick={() => onhear(there, point.notes[0]!.bar)}
                >Hear as before</button
              >
            </div>
          </li>
        {/each}
      </ul>
      {#if open.length > 1}<button class="btn btn-sm mt-2" onclick={keepAll}>Keep all</button>{/if}
    {/if}
  </section>
{/if}
