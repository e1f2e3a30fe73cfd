<script lang="ts">
  import { troubleText } from '../../planner/asking.ts';
  import { pitchLabel, type NoteId, type WayOut } from '@oculon/core';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import { say } from '../../words.ts';

  /** What can be done about a note that cannot be played or held; nothing happens until one is taken. */
  const {
    piece,
    decisions,
    planned,
    note,
    ondone,
  }: { piece: OpenPiece; decisions: Decisions; planned: CurrentPlan; note: NoteId; ondone: () => void } =
    $props();

  let ways = $state.raw<readonly WayOut[]>();
  let asking = $state(false);
  let problem = $state('');

  const MOST_SHOWN = 6;
  const index = $derived(piece.score?.indexOf.get(note));
  const nameOf = (way: WayOut) => pitchLabel(piece.score!.notes[way.note]!.sounding);

  const ask = async () => {
    if (index === undefined) return;
    asking = true;
    problem = '';
    try {
      ways = await planned.questions.waysOut(index);
    } catch (error) {
      problem = troubleText(error, 'The ways out could not be worked out. Load the page again.');
    } finally {
      asking = false;
    }
  };
  const take = (way: WayOut) => {
    const target = piece.score!.notes[way.note]!;
    decisions.choose(target, { remedy: way.remedy });
    ondone();
  };
</script>

{#if !ways}
  <button class="btn btn-xs" disabled={asking || planned.planning} onclick={ask}>
    Ways out{#if asking}<span class="loading loading-dots loading-xs" aria-label="Searching"></span>{/if}
  </button>
{:else if ways.length === 0}
  <p class="text-xs opacity-80">
    One change alone does not mend it. Decide a note nearby first, then look again.
  </p>
{:else}
  <ul class="mt-1 space-y-1" aria-label="Ways out">
    {#each ways.slice(0, MOST_SHOWN) as way, index (index)}
      <li>
        <button class="btn btn-xs" onclick={() => take(way)}>
          {nameOf(way)}: {say(`remedy.${way.remedy}`)}
        </button>
        <span class="text-xs tabular-nums opacity-70"
          >{way.price >= 0 ? '+' : '−'}{Math.abs(way.price).toFixed(1)}</span
        >
      </li>
    {/each}
  </ul>
{/if}
{#if problem}<p role="alert" class="text-xs text-error">{problem}</p>{/if}
