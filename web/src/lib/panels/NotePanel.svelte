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
  import {
    fretsAtCaret,
    release,
    setFinger,
    setPluck,
    setString,
    type Command,
  } from '../workbench/commands.ts';
  import { say } from '../words.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';

  const { workbench, ondone }: { workbench: Workbench; ondone: () => void } = $props();

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
</script>

{#if note && bar && workbench.piece.score}
  <section aria-label="Note at the caret">
    <h2 class="text-lg">
      {pitchLabel(note.sounding)}
      <span class="text-sm opacity-70">
        bar {barLabel(bar)}, beat {beatText(
          bar,
          note.onset - bar.start,
          workbench.piece.score.ticksPerQuarter,
        )}, voice {note.voice}
      </span>
    </h2>
    <div class="mt-2 grid grid-cols-[4rem_1fr] items-center gap-x-2 gap-y-2 text-sm">
      <span>Finger</span>
      <div class="join">
        {#each FINGERS as finger (finger)}
          <button
            class="btn join-item btn-sm"
            class:btn-secondary={plan?.finger === finger}
            aria-pressed={plan?.finger === finger}
            disabled={!setFinger(finger)(workbench, true)}
            onclick={does(setFinger(finger))}>{finger}</button
          >
        {/each}
        <span class="self-center pl-2 text-xs opacity-70" data-testid="finger-origin"
          >{decidedBy('finger')}</span
        >
      </div>
      <span>String</span>
      <div class="join">
        {#each STRINGS as string (string)}
          <button
            class="btn join-item btn-sm px-2"
            class:btn-secondary={plan?.string === string}
            aria-pressed={plan?.string === string}
            aria-label="string {string}"
            title={frets.has(string) ? `fret ${frets.get(string)}` : 'not on this string'}
            disabled={!setString(string)(workbench, true)}
            onclick={does(setString(string))}>{stringSign(string)}</button
          >
        {/each}
      </div>
      <span></span>
      <span class="text-xs opacity-70">
        {#if plan?.fret !== undefined}{plan.fret === 0 ? 'open' : `fret ${plan.fret}`}{plan.barre
            ? ', barre'
            : ''} · {decidedBy('string')}{/if}
      </span>
      <span>Pluck</span>
      <div class="join">
        {#each PLUCKS as pluck (pluck)}
          <button
            class="btn join-item btn-sm font-serif italic"
            class:btn-secondary={plan?.pluck === pluck}
            aria-pressed={plan?.pluck === pluck}
            onclick={does(setPluck(pluck))}>{pluck}</button
          >
        {/each}
        <span class="self-center pl-2 text-xs opacity-70"
          >{plan && plan.pluck === undefined ? 'not plucked' : decidedBy('pluck')}</span
        >
      </div>
    </div>
    {#if note.fingering.other}
      <p class="mt-1 text-sm" data-testid="other-fingering">
        The file also writes {note.fingering.other.join(', ')}: kept as it stands, not planned.
      </p>
    {/if}
    {#if choice?.remedy}
      <p class="mt-1 text-sm">Your way out: {say(`remedy.${choice.remedy}`)}.</p>
    {/if}
    {#if ringsUntil}<p class="mt-1 text-xs opacity-70">Rings on until {ringsUntil}.</p>{/if}
    <button class="btn btn-ghost btn-sm mt-2" disabled={!release(workbench, true)} onclick={does(release)}
      >Leave it to Oculon</button
    >
    {#if costs.length > 0}
      <h3 class="mt-3 text-sm font-semibold">What this note costs</h3>
      <ul class="text-sm">
        {#each costs as [term, amount] (term)}
          <li class="flex justify-between gap-4">
            <span>{term}</span><span class="tabular-nums">{amount.toFixed(1)}</span>
          </li>
        {/each}
      </ul>
    {/if}
  </section>
{/if}
