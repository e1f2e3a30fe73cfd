<script lang="ts">
  import {
    BARRE_EXTENTS,
    LONGEST_TEXT,
    markId,
    MARK_KINDS,
    pitchLabel,
    romanNumeral,
    STRINGS,
    stringSign,
    type Mark,
    type MarkId,
    type NoteIndex,
  } from '@oculon/core';
  import { untrack } from 'svelte';
  import { noteIndex } from '../../engraving/span-signs.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';
  import type { SheetMarks } from '../sheet-marks.svelte.ts';
  import { draftOf, isSpan, markFrom, NEW_DRAFT } from './mark-draft.ts';
  import { placeWords, say } from '../../words.ts';

  interface Props {
    piece: OpenPiece;
    planned: CurrentPlan;
    caret: Caret;
    marks: SheetMarks;
    /** The mark to change; a new one when missing. */
    changed?: { readonly id: MarkId; readonly mark: Mark } | undefined;
    ondone: () => void;
  }
  const { piece, planned, caret, marks, changed, ondone }: Props = $props();

  const draft = $state(untrack(() => (changed ? draftOf(changed.mark) : { ...NEW_DRAFT })));
  /** Where the mark begins: the caret when the form was opened. */
  let first = $state<NoteIndex>(
    untrack(() =>
      changed && piece.score ? (noteIndex(piece.score, changed.mark.from) ?? caret.index) : caret.index,
    ),
  );
  const score = $derived(piece.score!);
  const result = $derived(
    markFrom(score, planned.plan?.notes ?? [], draft, [first, isSpan(draft.kind) ? caret.index : first]),
  );
  const nameOf = (note: NoteIndex) =>
    `${pitchLabel(score.notes[note]!.sounding)}, ${placeWords(score, score.notes[note]!.onset)}`;
  const FRETS = Array.from({ length: 15 }, (_, index) => index + 1);
  const EXTENT_NAMES = { full: 'full', partial: 'partial', hinge: 'hinge' } as const;

  const set = () => {
    if (!('mark' in result)) return;
    const id = markId(result.mark);
    // A mark that begins elsewhere now is another one.
    if (changed && changed.id !== id) marks.move(changed.id, id, result.mark);
    else marks.set(id, result.mark);
    ondone();
  };
</script>

<form
  class="space-y-2 rounded-box border border-base-300 p-2"
  aria-label={changed ? 'Change the mark' : 'New mark'}
  onsubmit={(event) => {
    event.preventDefault();
    set();
  }}
>
  <div class="flex flex-wrap items-center gap-2">
    <select
      class="select select-sm w-36"
      aria-label="Kind of mark"
      disabled={changed !== undefined}
      bind:value={draft.kind}
    >
      {#each MARK_KINDS as kind (kind)}<option value={kind}>{say(`mark.${kind}`)}</option>{/each}
    </select>
    {#if draft.kind === 'barre' || draft.kind === 'position'}
      <select class="select select-sm w-20" aria-label="Fret" bind:value={draft.fret}>
        {#each FRETS as fret (fret)}<option value={fret}>{romanNumeral(fret)}</option>{/each}
      </select>
    {/if}
    {#if draft.kind === 'barre'}
      <select class="select select-sm w-24" aria-label="Extent" bind:value={draft.extent}>
        {#each BARRE_EXTENTS as extent (extent)}<option value={extent}>{EXTENT_NAMES[extent]}</option>{/each}
      </select>
      <select class="select select-sm w-16" aria-label="Finger of the barre" bind:value={draft.finger}>
        {#each [1, 2, 3, 4] as finger (finger)}<option value={finger}>{finger}</option>{/each}
      </select>
    {:else if draft.kind === 'guide'}
      <label class="flex items-center gap-1"
        ><input type="checkbox" class="checkbox checkbox-xs" bind:checked={draft.heard} /> heard as a slide</label
      >
    {:else if draft.kind === 'damp'}
      <select class="select select-sm w-20" aria-label="String" bind:value={draft.string}>
        {#each STRINGS as string (string)}<option value={string}>{stringSign(string)}</option>{/each}
      </select>
    {:else if draft.kind === 'plant'}
      <input
        class="input input-sm w-20"
        aria-label="Fingers"
        maxlength="4"
        placeholder="pima"
        bind:value={draft.fingers}
      />
    {:else if draft.kind === 'stroke'}
      <select class="select select-sm w-28" aria-label="Stroke" bind:value={draft.stroke}>
        <option value="rest">rest stroke</option>
        <option value="free">free stroke</option>
      </select>
    {:else if draft.kind === 'text'}
      <input
        class="input input-sm grow"
        aria-label="Text"
        maxlength={LONGEST_TEXT}
        placeholder="what the student should read"
        bind:value={draft.text}
      />
    {/if}
  </div>
  <p class="text-xs opacity-80">
    {#if isSpan(draft.kind)}
      From {nameOf(first)} to {nameOf(caret.index)}. Walk on the sheet to where it ends.
    {:else}
      At {nameOf(first)}.
    {/if}
    {#if first !== caret.index}
      <button type="button" class="btn btn-ghost btn-xs" onclick={() => (first = caret.index)}
        >{isSpan(draft.kind) ? 'Begin' : 'Set it'} at the caret</button
      >
    {/if}
  </p>
  {#if 'problem' in result && (draft.kind !== 'text' || draft.text !== '')}
    <p class="text-xs text-caution" role="status">{result.problem}</p>
  {/if}
  <div class="flex gap-2">
    <button class="btn btn-sm btn-primary" disabled={!('mark' in result)}
      >{changed ? 'Change it' : 'Set the mark'}</button
    >
    <button type="button" class="btn btn-sm" onclick={ondone}>Cancel</button>
  </div>
</form>
