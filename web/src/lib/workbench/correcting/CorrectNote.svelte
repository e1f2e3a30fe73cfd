<script lang="ts">
  import {
    nextOfPitch,
    pitchLabel,
    STEPS,
    tiedTogether,
    type Correction,
    type PitchSpelling,
  } from '@oculon/core';
  import type { CorrectedPiece } from '../../library/upload.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import { correctNote, lastCorrected } from './correct-note.ts';

  interface Props {
    /** The piece and the part of its file that is read. */
    source: CorrectedPiece & { readonly part: string };
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    caret: Caret;
  }
  /** Puts a note right that the file of the piece has wrong: in the file itself, so that every export has it right. */
  const { source, piece, decisions, planned, caret }: Props = $props();

  const ALTERATIONS = [
    [-2, '♭♭'],
    [-1, '♭'],
    [0, 'natural'],
    [1, '♯'],
    [2, '♯♯'],
  ] as const;
  const OCTAVES = [1, 2, 3, 4, 5, 6];

  const score = $derived(piece.score);
  const note = $derived(score?.notes[caret.index]);
  /** The noteheads of the note: the caret stands at the first, a tie leads on from the last. */
  const heads = $derived(score && note ? tiedTogether(score, note) : []);
  const mayBeTied = $derived(score && heads.length > 0 && nextOfPitch(score, heads.at(-1)!) !== undefined);
  let wanted = $state<PitchSpelling>({ step: 'C', alter: 0, octave: 4 });
  $effect(() => {
    if (note) wanted = { ...note.sounding };
  });
  const isOther = $derived(note && pitchLabel(wanted) !== pitchLabel(note.sounding));
  // svelte-ignore state_referenced_locally
  const before = lastCorrected(source.id);
  let isWorking = $state(false);
  let problem = $state('');

  const correct = async (index: number, correction: Correction, isBack = false): Promise<void> => {
    if (!score || isWorking) return;
    isWorking = true;
    problem = '';
    try {
      if (!(await decisions.saving.settle()))
        problem = 'Your last decisions are not saved yet. Correct the note when they are.';
      else problem = (await correctNote(planned, score, source, index, correction, isBack)) ?? '';
      if (problem === '') location.reload();
    } catch (error) {
      problem = (error as Error).message;
    } finally {
      isWorking = false;
    }
  };
</script>

<section aria-labelledby="correct-note" class="text-sm">
  <h3 id="correct-note" class="font-semibold">Is the note wrong in the file?</h3>
  {#if before}
    <p class="mt-1" role="status">
      {before.words}
      <button class="link" disabled={isWorking} onclick={() => void correct(before.note, before.back, true)}
        >Take it back</button
      >
    </p>
  {/if}
  {#if note}
    <form
      class="mt-1 flex flex-wrap items-center gap-1"
      onsubmit={(event) => {
        event.preventDefault();
        void correct(caret.index, { kind: 'pitch', pitch: { ...wanted } });
      }}
    >
      <span>{pitchLabel(note.sounding)} should be</span>
      <select class="select select-xs w-auto" aria-label="Letter it should have" bind:value={wanted.step}>
        {#each STEPS as step (step)}<option value={step}>{step}</option>{/each}
      </select>
      <select
        class="select select-xs w-auto"
        aria-label="Accidental it should have"
        bind:value={wanted.alter}
      >
        {#each ALTERATIONS as [alter, sign] (alter)}<option value={alter}>{sign}</option>{/each}
      </select>
      <select class="select select-xs w-auto" aria-label="Octave it should be in" bind:value={wanted.octave}>
        {#each OCTAVES as octave (octave)}<option value={octave}>{octave}</option>{/each}
      </select>
      <button class="btn btn-xs" disabled={!isOther || isWorking}
        >{isWorking ? 'Correcting …' : 'Correct'}</button
      >
    </form>
    <div class="mt-1 flex flex-wrap gap-1">
      {#if mayBeTied}
        <button
          class="btn btn-xs"
          disabled={isWorking}
          onclick={() => void correct(heads.at(-1)!.index, { kind: 'tie', isTied: true })}
          >Tie it to the next note</button
        >
      {/if}
      {#if heads.length > 1}
        <button
          class="btn btn-xs"
          disabled={isWorking}
          onclick={() => void correct(heads[0]!.index, { kind: 'tie', isTied: false })}
          >Take out its {heads.length > 2 ? 'first ' : ''}tie</button
        >
      {/if}
    </div>
    <p class="mt-1 text-xs opacity-80">
      The file is changed, and every export with it. What you decided about other notes stays.
    </p>
    {#if problem}<p role="alert" class="mt-1 text-error">{problem}</p>{/if}
  {/if}
</section>
