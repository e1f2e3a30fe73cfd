<script lang="ts">
  import NotFetched from '../../NotFetched.svelte';
  import { troubleText } from '../../planner/asking.ts';
  import {
    barLabel,
    isForRightHand,
    patternSchema,
    pitchLabel,
    PLANTING_KINDS,
    RIGHT_SCHOOLS,
    type PassageRule,
    type Pattern,
    type PlantingKind,
    type RightSchool,
    type RightWay,
    type RuleId,
  } from '@oculon/core';
  import BarRange from './BarRange.svelte';
  import RuleList from './RuleList.svelte';
  import { rightTermWords, say } from '../../words.ts';
  import { differenceText, wayName } from './right-words.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';

  const {
    piece,
    decisions,
    planned,
    caret,
    ondone,
  }: { piece: OpenPiece; decisions: Decisions; planned: CurrentPlan; caret: Caret; ondone: () => void } =
    $props();

  let school = $state<RightSchool>('strict-im');
  let doubleThumb = $state(true);
  let keepOrder = $state(true);
  let planting = $state<PlantingKind>('suited');
  let voice = $state<'all' | 'melody' | 'bass'>('melody');
  let letters = $state('');
  let searching = $state(false);
  let problem = $state('');
  let found = $state.raw<{ readonly ways: readonly RightWay[]; readonly plan: unknown }>();

  const passage = $derived(caret.bars);
  const rules = $derived([...decisions.fingering.rules].filter(([, rule]) => isForRightHand(rule)));
  /** What was found holds for the plan it was found in. */
  const ways = $derived(found?.plan === planned.plan ? found?.ways : undefined);
  const typed = $derived(patternSchema.safeParse(letters.replaceAll(/[\s–-]/g, '').toLowerCase()));
  const canSearch = $derived(!searching && !planned.planning && planned.plan !== undefined);

  const add = (rule: PassageRule) => {
    decisions.setRule(crypto.randomUUID() as RuleId, rule);
    ondone();
  };
  const usePattern = (pattern: Pattern) => add({ kind: 'pattern', ...passage, pattern });
  const useWay = ({ asked }: RightWay) => {
    if (asked.kind === 'pattern') usePattern(asked.pattern);
    else if (asked.kind === 'school') add({ kind: 'school', ...passage, school: asked.school });
  };

  const search = async (ask: () => Promise<readonly RightWay[]>) => {
    searching = true;
    problem = '';
    const { plan } = planned;
    try {
      found = { ways: await ask(), plan };
    } catch (error) {
      problem = troubleText(error, 'The search stopped. Load the page again and try once more.');
    } finally {
      searching = false;
    }
  };
  const compare = () =>
    search(() =>
      planned.questions.comparePatterns($state.snapshot(passage), typed.success ? [typed.data] : []),
    );
  const lookForOthers = () => search(() => planned.questions.otherRightWays($state.snapshot(passage)));
  /** Where a stroke stands and what it costs more: `bar 3, E4 +1.2`. */
  const strokeWords = ({ note, price }: RightWay['dearer'][number]): string => {
    const { score } = piece;
    const own = score?.notes[note];
    return score && own
      ? `bar ${barLabel(score.bars[own.bar]!)}, ${pitchLabel(own.sounding)} ${differenceText(price)}`
      : '';
  };
  const quickest = ({ measures }: RightWay): string =>
    measures.fastestReturn === undefined ? '–' : `${Math.round(measures.fastestReturn)} ms`;
</script>

<section class="text-sm" data-testid="right-hand">
  <div class="mt-2 space-y-3 text-sm">
    <BarRange {piece} {caret} />

    <div class="grid grid-cols-[1fr_auto] gap-1">
      <select class="select select-sm" bind:value={school} aria-label="School for these bars">
        {#each RIGHT_SCHOOLS as each (each)}<option value={each}>{say(`right-school.${each}`)}</option>{/each}
      </select>
      <button
        class="btn btn-sm"
        onclick={() => add({ kind: 'school', ...passage, school, doubleThumb, keepOrder })}>Play so</button
      >
      <label class="col-span-2 flex items-center gap-2 text-xs">
        <input type="checkbox" class="checkbox checkbox-xs" bind:checked={doubleThumb} /> the thumb may play twice
        running in a line
      </label>
      <label class="col-span-2 flex items-center gap-2 text-xs">
        <input type="checkbox" class="checkbox checkbox-xs" bind:checked={keepOrder} /> equal cells keep one order
      </label>
      <select class="select select-sm" bind:value={planting} aria-label="Planting for these bars">
        {#each PLANTING_KINDS as each (each)}<option value={each}>{say(`planting.${each}`)}</option>{/each}
      </select>
      <button class="btn btn-sm" onclick={() => add({ kind: 'planting', ...passage, how: planting })}
        >Plant so</button
      >
      <select class="select select-sm" bind:value={voice} aria-label="Voice of the stroke for these bars">
        <option value="melody">stroke of the melody</option>
        <option value="bass">stroke of the bass</option>
        <option value="all">stroke of all voices</option>
      </select>
      <span class="flex gap-1">
        {#each ['rest', 'free'] as const as stroke (stroke)}
          <button class="btn btn-sm" onclick={() => add({ kind: 'stroke', ...passage, stroke, voice })}
            >{stroke}</button
          >
        {/each}
      </span>
    </div>

    <form
      class="space-y-1"
      onsubmit={(event) => {
        event.preventDefault();
        if (canSearch && (letters === '' || typed.success)) void compare();
      }}
    >
      <label class="flex items-center gap-2"
        >Pattern
        <input
          class="input input-sm grow font-serif italic"
          placeholder="pimami"
          bind:value={letters}
          aria-invalid={letters !== '' && !typed.success}
        /></label
      >
      {#if letters !== '' && !typed.success}
        <p class="text-xs text-error">Only the letters p, i, m and a, such as pimami.</p>
      {/if}
      <div class="flex flex-wrap gap-1">
        <button class="btn btn-sm" disabled={!canSearch || (letters !== '' && !typed.success)}
          >Compare patterns</button
        >
        <button
          class="btn btn-sm"
          type="button"
          disabled={!typed.success}
          onclick={() => typed.success && usePattern(typed.data)}>Use this pattern</button
        >
        <button class="btn btn-sm" type="button" disabled={!canSearch} onclick={lookForOthers}
          >Other ways</button
        >
        {#if searching}<span class="loading loading-dots loading-xs self-center" aria-label="Searching"
          ></span>{/if}
      </div>
    </form>
    {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
    {#if ways?.length === 0}
      <p>No truly different way was found for these bars.</p>
    {:else if ways}
      <ul class="space-y-2" data-testid="right-ways">
        {#each ways as way, index (index)}
          <li class="rounded-box border border-base-300 p-2">
            <div class="flex items-baseline justify-between gap-2">
              <span class="font-serif italic">{wayName(way)}</span>
              <span class="tabular-nums">{way.asked.kind === 'plan' ? '' : differenceText(way.price)}</span>
            </div>
            <p class="text-xs break-all opacity-80">{way.order}</p>
            <p class="text-xs tabular-nums">
              {way.measures.crossings.length} crossings · {way.measures.repeats.length} repeats · {way
                .measures.pivots} string changes · longest run {way.measures.longestRun} · quickest {quickest(
                way,
              )}
            </p>
            {#if way.asked.kind !== 'plan'}
              <p class="text-xs">{rightTermWords(way.terms)}</p>
              {#if way.dearer.length > 0}
                <p class="text-xs">costs most at {way.dearer.slice(0, 3).map(strokeWords).join('; ')}</p>
              {/if}
              {#if way.misfits.length > 0}
                <p class="text-xs text-caution">
                  does not fit at {way.misfits.length}
                  {way.misfits.length === 1 ? 'stroke' : 'strokes'}: {way.misfits
                    .slice(0, 6)
                    .map(({ wanted }) => wanted)
                    .join(' ')}
                </p>
              {/if}
              <button class="btn btn-xs mt-1" onclick={() => useWay(way)}>Use for these bars</button>
            {/if}
          </li>
        {/each}
      </ul>
      {#await import('./PatternChart.svelte') then { default: PatternChart }}
        {#key ways}<PatternChart {ways} />{/key}
      {:catch}
        <NotFetched />
      {/await}
    {/if}
    <RuleList {piece} {decisions} {rules} {ondone} />
  </div>
</section>
