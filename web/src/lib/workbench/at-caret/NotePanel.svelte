<script lang="ts">
  import {
    barLabel,
    beatText,
    pitchLabel,
    STRINGS,
    stringSign,
    type LeftFinger,
    type StrokeFinger,
  } from '@oculon/core';
  import type { Command } from '../commands/command.ts';
  import {
    fixAsPlanned,
    fretsAtCaret,
    release,
    setFinger,
    setPluck,
    setString,
    take,
  } from '../commands/deeds.ts';
  import { say } from '../../words.ts';
  import type { Workbench } from '../workbench.svelte.ts';
  import { caretWords } from './caret-words.ts';
  import { priceText } from './price-text.ts';
  import WayAxis from './WayAxis.svelte';
  import type { PricedChoice } from '../choices.svelte.ts';

  const { workbench, ondone }: { workbench: Workbench; ondone: () => void } = $props();

  const choices = $derived(workbench.choices);
  const note = $derived(workbench.caret.note);
  const plan = $derived(workbench.caret.plan);
  const choice = $derived(note && workbench.decisions.fingering.choices.get(note.id));
  const frets = $derived(fretsAtCaret(workbench));
  const bar = $derived(note && workbench.piece.score?.bars[note.bar]);
  const costs = $derived(
    Object.entries(plan?.cost ?? {})
      .filter(([, amount]) => amount >= 0.05)
      .sort(([, a], [, b]) => b - a),
  );
  const selected = $derived(workbench.caret.hasSelection ? workbench.caret.notes.length : 0);

  const ringsUntil = $derived.by(() => {
    const until = workbench.planned.plan?.ringing.find(([head]) => head === note?.index)?.[1];
    if (until === undefined || !bar || !workbench.piece.score) return undefined;
    return until >= bar.start + bar.length
      ? 'the end of the bar'
      : `beat ${beatText(bar, until - bar.start, workbench.piece.score.ticksPerQuarter)}`;
  });

  const FINGERS: readonly LeftFinger[] = [0, 1, 2, 3, 4];
  const PLUCKS: readonly StrokeFinger[] = ['p', 'i', 'm', 'a'];

  const decidedBy = (field: 'string' | 'finger' | 'pluck'): string => {
    if (choice?.[field] !== undefined && choice[field] !== null) return 'yours';
    if (choice?.[field] === undefined && note?.fingering[field] !== undefined) return 'from the file';
    return 'proposed';
  };
  const does = (command: Command) => () => {
    command(workbench);
    ondone();
  };
  const taken = (wanted: PricedChoice): void => {
    take(workbench, wanted);
    ondone();
  };
  const pluckChoice = (pluck: StrokeFinger): PricedChoice | undefined => {
    const way = choices.plucks.find((each) => each.pluck === pluck);
    return way && { hand: 'right', way };
  };
</script>

{#if note && bar && workbench.piece.score}
  <p class="sr-only" aria-live="polite" data-testid="read-out">
    {caretWords(workbench.piece.score, note, plan)}
  </p>
  <section aria-label="Note at the caret" class="space-y-1.5">
    <h2 class="flex items-baseline gap-2 text-lg leading-tight">
      <span
        >{pitchLabel(note.sounding)}
        <span class="text-sm opacity-80">
          bar {barLabel(bar)}, beat {beatText(
            bar,
            note.onset - bar.start,
            workbench.piece.score.ticksPerQuarter,
          )}, voice {note.voice}
        </span></span
      >
      {#if selected > 1}<span class="badge badge-sm badge-warning ml-auto">{selected} selected</span>{/if}
    </h2>
    <WayAxis {choices} ontake={taken} />
    <div class="hand" role="group" aria-label="Finger and string">
      <div class="join">
        {#each FINGERS as finger (finger)}
          <button
            class="btn join-item btn-xs key"
            class:btn-secondary={plan?.finger === finger}
            aria-pressed={plan?.finger === finger}
            aria-label="finger {finger}"
            disabled={!setFinger(finger)(workbench, true)}
            onclick={does(setFinger(finger))}>{finger}</button
          >
        {/each}
      </div>
      <div class="join">
        {#each STRINGS as string (string)}
          <button
            class="btn join-item btn-xs key text-base font-normal"
            class:btn-secondary={plan?.string === string}
            aria-pressed={plan?.string === string}
            aria-label="string {string}"
            title={frets.has(string) ? `fret ${frets.get(string)}` : 'not on this string'}
            disabled={!setString(string)(workbench, true)}
            onclick={does(setString(string))}>{stringSign(string)}</button
          >
        {/each}
      </div>
    </div>
    <div class="hand">
      <div class="join" role="group" aria-label="Fingers to pluck it" data-testid="plucks">
        {#each PLUCKS as pluck (pluck)}
          {@const priced = pluckChoice(pluck)}
          <button
            class="btn join-item btn-xs"
            class:btn-secondary={plan?.pluck === pluck}
            aria-pressed={plan?.pluck === pluck}
            onpointerenter={() => choices.point(priced)}
            onpointerleave={() => choices.point(undefined)}
            onfocus={() => choices.point(priced)}
            onblur={() => choices.point(undefined)}
            onclick={does(setPluck(pluck))}
            ><i class="font-serif text-sm">{pluck}</i>{#if priced}<span class="text-[0.65rem] tabular-nums"
                >{priceText(priced.way.price)}</span
              >{/if}</button
          >
        {/each}
      </div>
    </div>
    <p class="flex flex-wrap items-center gap-x-1 text-xs">
      <span class="opacity-80"
        >finger <span data-testid="finger-origin">{decidedBy('finger')}</span>, string {decidedBy('string')},
        {plan && plan.pluck === undefined ? 'not plucked' : `pluck ${decidedBy('pluck')}`}{plan?.barre
          ? ', under a barre'
          : ''}{ringsUntil ? `; rings until ${ringsUntil}` : ''}</span
      >
      <span class="ml-auto flex">
        <button
          class="btn btn-ghost btn-xs"
          title="Fix as it is planned (G)"
          disabled={!fixAsPlanned(workbench, true)}
          onclick={does(fixAsPlanned)}>Fix</button
        >
        <button
          class="btn btn-ghost btn-xs"
          title="Delete"
          disabled={!release(workbench, true)}
          onclick={does(release)}>Leave it to Oculon</button
        >
      </span>
    </p>
    {#if note.fingering.other}
      <p class="text-sm" data-testid="other-fingering">
        The file also writes {note.fingering.other.join(', ')}: kept as it stands, not planned.
      </p>
    {/if}
    {#if choice?.remedy}
      <p class="text-sm">Your way out: {say(`remedy.${choice.remedy}`)}.</p>
    {/if}
    {#if costs.length > 0}
      <details class="text-xs">
        <summary class="cursor-pointer"
          >What this note costs: {costs.reduce((sum, [, amount]) => sum + amount, 0).toFixed(1)}</summary
        >
        <ul class="pl-3">
          {#each costs as [term, amount] (term)}
            <li class="flex justify-between gap-4">
              <span>{term}</span><span class="tabular-nums">{amount.toFixed(1)}</span>
            </li>
          {/each}
        </ul>
      </details>
    {/if}
  </section>
{/if}

<style>
  .hand {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0.3rem;
  }
  .hand :global(.btn) {
    min-width: 26px;
    min-height: 26px;
  }
  .key {
    height: 26px;
    padding-inline: 0;
  }
  @media (pointer: coarse) {
    .hand :global(.btn) {
      min-width: 44px;
      min-height: 44px;
    }
  }
</style>
