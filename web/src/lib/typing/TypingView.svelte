<script lang="ts">
  import { buildScore, writeNewMusicXml, type Score } from '@oculon/core';
  import { goto } from '$app/navigation';
  import { onMount } from 'svelte';
  import { keep, kept } from '../browser-storage.svelte.ts';
  import { bareNote } from '../engraving/marks.ts';
  import LessonMusic from '../lesson/LessonMusic.svelte';
  import { correctSource, uploadPiece, type CorrectedPiece } from '../library/upload.ts';
  import Part from '../Part.svelte';
  import { fileNameOf } from '../save-file.ts';
  import { ABC_SIGNS, EXAMPLE } from './abc-help.ts';
  import { TYPED_ENDING, withTyped } from './typed-file.ts';
  import type { TypedProblem } from './typed-problem.ts';

  interface Props {
    /** The piece whose text is corrected; a new one without. */
    piece?: CorrectedPiece & { readonly typed: string };
  }
  /** A piece typed in ABC, seen as music while it is typed, and made into a piece like any import. */
  const { piece }: Props = $props();

  const KEY = $derived(piece ? `oculon-typed-${piece.id}` : 'oculon-typed');
  /** Quiet after which what was typed is read, in ms. */
  const SETTLE = 200;
  const SCALE = 0.8;

  let text = $state('');
  /** The text that `score` and `problems` belong to. */
  let readText = $state('');
  let problems = $state.raw<readonly TypedProblem[]>([]);
  let score = $state.raw<Score>();
  let failure = $state('');
  let isMaking = $state(false);
  let isOpen = $state(false);
  /** What was typed here before and is not in the piece stands in the field. */
  let isDraft = $state(false);
  /** What was typed, while what the piece says is shown. */
  let setAside = $state('');
  let width = $state(0);
  let field: HTMLTextAreaElement;

  onMount(() => {
    const draft = kept(KEY);
    text = draft || (piece?.typed ?? EXAMPLE);
    isDraft = piece !== undefined && text !== piece.typed;
    isOpen = true;
  });

  const read = async (typed: string): Promise<void> => {
    // Read when it is first wanted: nobody else on the site needs it.
    const { typedPiece } = await import('./typed-piece.ts');
    if (typed !== text) return;
    const { draft, problems: found } = typedPiece(typed);
    problems = found;
    readText = typed;
    try {
      score = draft && buildScore(draft);
    } catch {
      // A tie that leads nowhere is told among the problems; what was readable before stays in sight.
    }
  };
  $effect(() => {
    const typed = text;
    // What is no different from the piece needs no keeping, and must not come back when the piece was corrected elsewhere.
    if (isOpen) keep(KEY, typed === piece?.typed ? '' : typed);
    const timer = setTimeout(() => {
      void read(typed).catch(() => (failure = 'The text could not be read. Load the page again.'));
    }, SETTLE);
    return () => clearTimeout(timer);
  });

  /** What stands as music is what is typed, and nothing in it is open. */
  const isReady = $derived(score !== undefined && problems.length === 0 && readText === text);
  const goTo = ({ line, column }: TypedProblem): void => {
    const at =
      text
        .split('\n')
        .slice(0, line - 1)
        .reduce((sum, each) => sum + each.length + 1, 0) +
      column -
      1;
    field.focus();
    field.setSelectionRange(at, at + 1);
  };

  const make = async (): Promise<void> => {
    if (!score || !isReady || isMaking) return;
    isMaking = true;
    failure = '';
    const xml = withTyped(writeNewMusicXml(score), text);
    const file = new File([xml], `${fileNameOf(score.title)}${TYPED_ENDING}`);
    const outcome = await (piece
      ? correctSource(file, piece)
      : uploadPiece(file, undefined, () => undefined));
    isMaking = false;
    if (!outcome.ok) {
      failure = outcome.error.message;
      return;
    }
    keep(KEY, '');
    await goto(`/pieces/${outcome.value.id}`);
  };
  const onkeydown = (event: KeyboardEvent): void => {
    if ((event.ctrlKey || event.metaKey) && event.key === 'Enter') void make();
  };
  const notes = $derived(score?.notes.map(bareNote) ?? []);
  const NO_LETTERS: ReadonlyMap<number, string> = new Map();
</script>

<svelte:window {onkeydown} />

<div class="grid gap-6 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
  <section class="min-w-0">
    <label class="block text-sm" for="abc">The piece in ABC</label>
    <textarea
      id="abc"
      class="textarea mt-1 w-full font-mono text-sm leading-relaxed"
      rows="16"
      spellcheck="false"
      autocapitalize="off"
      aria-describedby="abc-problems"
      bind:this={field}
      bind:value={text}></textarea>
    <div id="abc-problems" class="mt-2 text-sm" aria-live="polite">
      {#if failure}<p role="alert" class="text-error">{failure}</p>{/if}
      {#if piece && isDraft && text !== piece.typed}
        <p>
          This is what you typed last; the piece itself still reads otherwise.
          <button class="link" onclick={() => ([setAside, text] = [text, piece.typed])}
            >Show what the piece says</button
          >
        </p>
      {:else if setAside !== ''}
        <p><button class="link" onclick={() => (text = setAside)}>Back to what you typed</button></p>
      {/if}
      {#if problems.length > 0}
        <ul class="space-y-1" aria-label="What cannot be read">
          {#each problems as problem, index (index)}
            <li>
              <button class="rounded px-1 text-left hover:bg-base-200" onclick={() => goTo(problem)}
                ><span class="font-semibold">Line {problem.line}, {problem.column}</span>: {problem.message}</button
              >
            </li>
          {/each}
        </ul>
      {:else if score && isReady}
        <p class="opacity-80">
          {score.bars.length}
          {score.bars.length === 1 ? 'bar' : 'bars'}, {score.notes.length} notes. Ready.
        </p>
      {/if}
    </div>
    <div class="mt-3 flex flex-wrap items-center gap-3">
      <button class="btn btn-primary" disabled={!isReady || isMaking} title="Ctrl Enter" onclick={make}
        >{piece
          ? isMaking
            ? 'Correcting it …'
            : 'Correct the piece'
          : isMaking
            ? 'Making it …'
            : 'Make it a piece'}</button
      >
      <a class="btn btn-ghost" href={piece ? `/pieces/${piece.id}` : '/'}
        >{piece ? 'Back to the sheet' : 'Back to the library'}</a
      >
    </div>
    <details class="mt-4 text-sm">
      <summary class="cursor-pointer">How ABC is written</summary>
      <dl class="mt-2 grid grid-cols-[8.5rem_1fr] gap-x-3 gap-y-1">
        {#each ABC_SIGNS as [sign, meaning] (sign)}
          <dt><code>{sign}</code></dt>
          <dd>{meaning}</dd>
        {/each}
      </dl>
    </details>
  </section>
  <section class="min-w-0" aria-label="As music" bind:clientWidth={width}>
    {#if score && width > 100}
      <Part name="As music">
        <div style:zoom={SCALE}>
          <LessonMusic
            {score}
            plan={{ notes }}
            written={undefined}
            marks={[]}
            width={Math.floor(width / SCALE)}
            tablature={false}
            letters={NO_LETTERS}
            ondrawn={() => undefined}
          />
        </div>
      </Part>
    {:else}
      <p class="opacity-80">What you type stands here as music.</p>
    {/if}
  </section>
</div>
