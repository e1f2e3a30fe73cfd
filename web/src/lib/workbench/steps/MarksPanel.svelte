<script lang="ts">
  import { Pencil, X } from '@lucide/svelte';
  import { anchorOf, type NoteId, type PlacedMark, type MarkKind } from '@oculon/core';
  import { tick, untrack } from 'svelte';
  import { noteIndex, spanOfMark } from '../../engraving/span-signs.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';
  import type { SheetMarks } from '../sheet-marks.svelte.ts';
  import { isSpan } from './mark-draft.ts';
  import MarkForm from './MarkForm.svelte';
  import { markWords, say } from '../../words.ts';

  /** The marks at the caret: accept what Oculon proposes, change, take away, or set one's own. */
  const {
    piece,
    decisions,
    planned,
    caret,
    marks,
    ondone,
  }: {
    piece: OpenPiece;
    decisions: Decisions;
    planned: CurrentPlan;
    caret: Caret;
    marks: SheetMarks;
    ondone: () => void;
  } = $props();

  let form = $state.raw<{ readonly changed?: PlacedMark }>();

  let panel = $state<HTMLElement>();

  // A key asked for a new mark: the panel opens with the form, and the first field waits for words.
  $effect(() => {
    if (!marks.isAskedFor || !panel) return;
    untrack(() => {
      marks.isAskedFor = false;
      form = {};
      void tick().then(() => {
        panel?.scrollIntoView({ block: 'nearest' });
        panel?.querySelector<HTMLElement>('form input')?.focus();
      });
    });
  });

  const BY_WORDS = { planned: 'proposed', source: 'in the file', teacher: 'yours' } as const;

  const score = $derived(piece.score);
  const here = $derived.by(() => {
    const note = caret.note;
    if (!score || !note) return [];
    const anchor = score.notes[anchorOf(score, note.index)]!.id;
    return marks.placed.filter((placed) => {
      const { mark } = placed;
      if (mark.from === note.id || mark.from === anchor) return true;
      const span = isSpan(mark.kind) ? spanOfMark(score, placed) : undefined;
      // A long position or barre is listed wherever it lies; what leads from note to note only at its ends.
      return (
        span !== undefined &&
        (mark.kind === 'barre' || mark.kind === 'position'
          ? span.onset <= note.onset && note.onset < span.until
          : 'to' in mark && mark.to === note.id)
      );
    });
  });
  const decided = $derived(decisions.fingering.marks.size);
  const removedHere = $derived.by(() => {
    const note = caret.note;
    if (!score || !note) return [];
    return [...decisions.fingering.marks].filter(([id, mark]) => {
      const at = noteIndex(score, id.split('@')[1] as NoteId);
      return mark.kind === 'removed' && at !== undefined && score.notes[at]!.onset === note.onset;
    });
  });

  const accept = ({ id, mark }: PlacedMark) => {
    marks.set(id, mark);
    ondone();
  };
  const remove = ({ id }: PlacedMark) => {
    marks.remove(id);
    ondone();
  };
  const close = () => {
    form = undefined;
    ondone();
  };
</script>

{#if score && planned.plan}
  <section class="text-sm" data-testid="marks" bind:this={panel}>
    <h3 class="font-serif text-base">Marks{decided > 0 ? ` · ${decided}` : ''}</h3>
    <div class="mt-1 space-y-2">
      <ul class="space-y-1" aria-label="Marks at the caret">
        {#each here as placed, index (index)}
          <li class="flex flex-wrap items-center gap-1">
            <span class="grow"
              >{say(`mark.${placed.mark.kind}`)}
              <span class="font-semibold">{markWords(placed.mark)}</span>
              <span class="text-xs opacity-70">{BY_WORDS[placed.by]}</span></span
            >
            {#if placed.by === 'planned'}
              <button class="btn btn-xs" onclick={() => accept(placed)}>Accept</button>
            {/if}
            <button
              class="btn btn-ghost btn-xs btn-square"
              aria-label="Change"
              title="Change"
              onclick={() => (form = { changed: placed })}><Pencil class="size-3" /></button
            >
            <button
              class="btn btn-ghost btn-xs btn-square"
              aria-label="Remove"
              title="Remove"
              onclick={() => remove(placed)}><X class="size-3" /></button
            >
          </li>
        {:else}
          <li class="opacity-70">No marks here yet.</li>
        {/each}
        {#each removedHere as [id], index (index)}
          <li class="flex items-center gap-1 opacity-80">
            <span class="grow"
              >{say(`mark.${id.split('@')[0] as MarkKind}`)}
              <span class="text-xs">taken away</span></span
            >
            <button class="btn btn-ghost btn-xs" onclick={() => marks.set(id, null)}>Put back</button>
          </li>
        {/each}
      </ul>
      {#if form}
        {#key form}<MarkForm {piece} {planned} {caret} {marks} changed={form.changed} ondone={close} />{/key}
      {:else}
        <button class="btn btn-sm" onclick={() => (form = {})}>New mark at the caret</button>
      {/if}
    </div>
  </section>
{/if}
