<script lang="ts">
  import { isForRightHand, romanNumeral, type PassageRule, type RuleId } from '@oculon/core';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { OtherWays } from '../other-ways.svelte.ts';
  import BarRange from './BarRange.svelte';
  import RuleList from './RuleList.svelte';

  interface Props {
    piece: OpenPiece;
    decisions: Decisions;
    otherWays: OtherWays;
    caret: Caret;
    ondone: () => void;
  }
  /** What is asked of the left hand in the bars that are selected, and other ways of them. */
  const { piece, decisions, otherWays, caret, ondone }: Props = $props();

  const passage = $derived(caret.bars);
  let position = $state(5);
  let model = $state(1);

  const score = $derived(piece.score);
  const bars = $derived(score?.bars.length ?? 1);
  /** The model must be another stretch of the piece. */
  const isModel = $derived(
    Number.isInteger(model) &&
      model >= 1 &&
      model <= bars &&
      (model + passage.to - passage.from < passage.from + 1 || model > passage.to + 1),
  );
  const rules = $derived([...decisions.fingering.rules].filter(([, rule]) => !isForRightHand(rule)));

  const add = (rule: PassageRule) => {
    decisions.setRule(crypto.randomUUID() as RuleId, rule);
    ondone();
  };
</script>

{#if score}
  <section class="text-sm" data-testid="passage">
    <h3 class="font-serif text-base">Passage{rules.length > 0 ? ` · ${rules.length}` : ''}</h3>
    <div class="mt-2 space-y-3">
      <BarRange {piece} {caret} />

      <div class="flex flex-wrap items-center gap-2">
        <button
          class="btn btn-sm btn-secondary"
          disabled={!otherWays.canSearch}
          title="Z"
          onclick={() => otherWays.search(passage)}>Other ways</button
        >
        <label class="flex items-center gap-1 text-xs">
          <input type="checkbox" class="checkbox checkbox-xs" bind:checked={otherWays.holdsRest} /> keep the rest
          as it is
        </label>
      </div>
      <div class="flex flex-wrap items-center gap-1">
        <button class="btn btn-sm" onclick={() => add({ kind: 'position', ...passage, position })}
          >Stay in position</button
        >
        <select class="select select-sm w-20" bind:value={position} aria-label="Position">
          {#each Array.from({ length: 12 }, (_, index) => index + 1) as each (each)}
            <option value={each}>{romanNumeral(each)}</option>
          {/each}
        </select>
        <button class="btn btn-sm" onclick={() => add({ kind: 'stopped', ...passage })}
          >No open strings</button
        >
        <button class="btn btn-sm" onclick={() => add({ kind: 'ringing', ...passage, rings: true })}
          >Let it ring</button
        >
        <button class="btn btn-sm" onclick={() => add({ kind: 'ringing', ...passage, rings: false })}
          >Stop as written</button
        >
      </div>
      <div class="flex flex-wrap items-center gap-1">
        <button class="btn btn-sm" onclick={() => add({ kind: 'barre', ...passage, fret: position })}
          >Lay a barre</button
        >
        <span class="text-xs opacity-80">at the position above</span>
        <button class="btn btn-sm" onclick={() => add({ kind: 'no-barre', ...passage })}>No barre</button>
      </div>
      <div class="flex flex-wrap items-center gap-1">
        <button
          class="btn btn-sm"
          disabled={!isModel}
          onclick={() => add({ kind: 'same', ...passage, as: model - 1 })}>Finger as from bar</button
        >
        <input
          class="input input-sm w-16"
          type="number"
          min="1"
          max={bars}
          aria-label="First bar of the model"
          bind:value={model}
        />
      </div>
      <RuleList {piece} {decisions} {rules} {ondone} />
    </div>
  </section>
{/if}
