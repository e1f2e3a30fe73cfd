<script lang="ts">
  import { troubleText } from '../../planner/asking.ts';
  import { isForRightHand, romanNumeral, stringSign, type PassageRule, type RuleId } from '@oculon/core';
  import type { VersionMessage, WayView } from '../../planner/api.ts';
  import { messageWith } from '../../versions/comparison.ts';
  import BarRange from './BarRange.svelte';
  import RuleList from './RuleList.svelte';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';
  import { leftTermWords, placeWords } from '../../words.ts';
  import { priceText } from '../at-caret/price-text.ts';

  interface Props {
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    caret: Caret;
    /** Plays a version from a bar on. */
    onhear: (version: VersionMessage, bar: number) => void;
    ondone: () => void;
  }
  const { piece, decisions, planned, caret, onhear, ondone }: Props = $props();

  const passage = $derived(caret.bars);
  const from = $derived(passage.from + 1);
  const to = $derived(passage.to + 1);
  let position = $state(5);
  let model = $state(1);
  let hold = $state(false);
  let searching = $state(false);
  let problem = $state('');
  let found = $state.raw<{ readonly ways: readonly WayView[]; readonly plan: unknown }>();

  const score = $derived(piece.score);
  const bars = $derived(score?.bars.length ?? 1);
  /** The model must be another stretch of the piece. */
  const isModel = $derived(
    Number.isInteger(model) && model >= 1 && model <= bars && (model + (to - from) < from || model > to),
  );
  const rules = $derived([...decisions.fingering.rules].filter(([, rule]) => !isForRightHand(rule)));
  /** What was found holds for the plan it was found in. */
  const ways = $derived(found?.plan === planned.plan ? found?.ways : undefined);

  const add = (rule: PassageRule) => {
    decisions.setRule(crypto.randomUUID() as RuleId, rule);
    ondone();
  };
  const search = async () => {
    searching = true;
    problem = '';
    const { plan } = planned;
    try {
      found = { ways: await planned.questions.otherWays(passage, hold), plan };
    } catch (error) {
      problem = troubleText(error, 'The search stopped. Load the page again and try once more.');
    } finally {
      searching = false;
    }
  };
  const take = (way: WayView) => {
    decisions.chooseAll(way.choices);
    ondone();
  };
  const rejoins = (way: WayView): string => {
    if (!score || way.rejoins === undefined) return 'to the end';
    return `as before from ${placeWords(score, way.rejoins)}`;
  };
</script>

{#if score}
  <section class="text-sm" data-testid="passage">
    <h3 class="font-serif text-base">Passage{rules.length > 0 ? ` · ${rules.length}` : ''}</h3>
    <div class="mt-2 space-y-3 text-sm">
      <BarRange {piece} {caret} />

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
        <span class="text-xs opacity-70">at the position above</span>
        <button class="btn btn-sm" onclick={() => add({ kind: 'no-barre', ...passage })}>No barre</button>
      </div>
      <div class="flex flex-wrap items-center gap-1">
        <button
          class="btn btn-sm"
          disabled={!isModel}
          onclick={() => add({ kind: 'same', ...passage, as: model - 1 })}>Finger as from bar</button
        >
        <input
          class="input input-sm w-14"
          type="number"
          min="1"
          max={bars}
          aria-label="First bar of the model"
          bind:value={model}
        />
      </div>
      <RuleList {piece} {decisions} {rules} {ondone} />

      <div class="flex flex-wrap items-center gap-2">
        <button class="btn btn-sm" disabled={searching || planned.planning || !planned.plan} onclick={search}
          >Other ways</button
        >
        <label class="flex items-center gap-1 text-xs">
          <input type="checkbox" class="checkbox checkbox-xs" bind:checked={hold} /> keep the rest as it is
        </label>
        {#if searching}<span class="loading loading-dots loading-xs" aria-label="Searching"></span>{/if}
      </div>
      {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
      {#if ways?.length === 0}
        <p>No truly different way was found: what was tried cannot be held.</p>
      {:else if ways}
        <ol class="space-y-2" data-testid="other-ways">
          {#each ways as way, index (index)}
            <li class="rounded-box border border-base-300 p-2">
              <div class="flex items-baseline justify-between gap-2">
                <span class="font-semibold">
                  {way.character.positions.map(romanNumeral).join(' – ') || 'open strings'}
                </span>
                <span class="tabular-nums">{priceText(way.price)}</span>
              </div>
              <p class="text-xs opacity-80">
                {way.character.strings.map(stringSign).join(' ')} · {way.character.openNotes} open{way
                  .character.barres > 0
                  ? ' · barre'
                  : ''}
              </p>
              <p class="text-xs">{leftTermWords(way.terms)}; {rejoins(way)}</p>
              <button class="btn btn-xs mt-1" onclick={() => take(way)}>Take this way</button>
              <button
                class="btn btn-ghost btn-xs mt-1"
                onclick={() => onhear(messageWith(decisions.fingering, way.choices), passage.from)}
                >Hear it</button
              >
            </li>
          {/each}
        </ol>
      {/if}
    </div>
  </section>
{/if}
