<script lang="ts">
  import { troubleText } from '../../planner/asking.ts';
  import { barLabel, pitchLabel, stringSign, type ComparedReturn } from '@oculon/core';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import { likenessWords, placeWords, say } from '../../words.ts';

  interface Props {
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    onjump: (note: number) => void;
    ondone: () => void;
  }
  const { piece, decisions, planned, onjump, ondone }: Props = $props();

  const score = $derived(piece.score);
  const phrases = $derived(planned.movements?.phrases ?? []);
  const returns = $derived(planned.movements?.returns ?? []);
  let problem = $state('');

  const bars = (from: number, to: number): string => {
    const label = (bar: number) => (score ? barLabel(score.bars[bar]!) : '');
    return from === to ? `Bar ${label(from)}` : `Bars ${label(from)}–${label(to)}`;
  };
  const jumpToBar = (bar: number) => {
    const note = score?.notes.find((each) => each.bar === bar);
    if (note) onjump(note.index);
  };
  const takingOf = (sound: number): string => {
    const head = planned.plan?.heads[sound] ?? -1;
    const [note, taken] = [score?.notes[head], planned.plan?.notes[head]];
    return note && taken
      ? `${pitchLabel(note.sounding)} ${taken.finger ?? ''}${taken.string ? ` on ${stringSign(taken.string)}` : ''}`
      : '';
  };
  const why = (price: number | undefined): string =>
    price === undefined
      ? 'the pitch does not lie so here'
      : price === Infinity
        ? 'the same is not possible here, or far dearer'
        : price < 0.05
          ? 'the same would do as well'
          : `the same would cost ${price.toFixed(1)} more here`;
  const carry = async ({ from }: ComparedReturn) => {
    problem = '';
    try {
      decisions.chooseAll(await planned.questions.carry(from));
      ondone();
    } catch (error) {
      problem = troubleText(error, 'The fingering could not be carried over. Load the page again.');
    }
  };
</script>

{#if score && phrases.length > 0}
  <section class="text-sm" data-testid="form">
    <h3 class="font-serif text-base">
      Form{returns.length > 0 ? ` · ${returns.length} return${returns.length === 1 ? '' : 's'}` : ''}
    </h3>
    <ul class="mt-1" aria-label="Phrases">
      {#each phrases as phrase, index (index)}
        <li>
          <button
            class="w-full rounded px-1 text-left hover:bg-base-200"
            onclick={() => jumpToBar(phrase.from)}
            ><span class="font-semibold">{bars(phrase.from, phrase.to)}</span>
            <span class="opacity-80">to {say(`phrase-end.${phrase.ends}`)}</span></button
          >
        </li>
      {/each}
    </ul>
    {#if returns.length > 0}
      <h3 class="mt-2 font-serif">Passages that return</h3>
      <ul class="space-y-2" aria-label="Passages that return">
        {#each returns as each, index (index)}
          <li>
            <button class="rounded px-1 text-left hover:bg-base-200" onclick={() => jumpToBar(each.from)}
              ><span class="font-semibold">{bars(each.from, each.to)}</span>: {likenessWords(each.likeness)} as
              {bars(each.like, each.like + each.to - each.from).toLowerCase()}</button
            >
            <button
              class="btn btn-xs"
              disabled={planned.planning ||
                (each.likeness.kind !== 'same-rhythm' && each.differences.length === 0)}
              onclick={() => carry(each)}
              >{each.likeness.kind === 'same-rhythm'
                ? 'Carry the right hand here'
                : each.differences.length === 0
                  ? 'Fingered alike'
                  : 'Carry the fingering here'}</button
            >
            {#if each.differences.length > 0}
              <ul class="pl-3 text-xs" aria-label="Differences">
                {#each each.differences as { here, there, price }, place (place)}
                  <li>
                    {placeWords(score, planned.plan?.sounds[here] ?? 0)}: {takingOf(here)}, there {takingOf(
                      there,
                    )} – {why(price)}
                  </li>
                {/each}
              </ul>
            {/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#if problem}<p role="alert" class="text-xs text-error">{problem}</p>{/if}
  </section>
{/if}
