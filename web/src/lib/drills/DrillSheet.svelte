<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Density } from '@oculon/core';
  import { BookPlus, FileDown, Printer } from '@lucide/svelte';
  import { onMount, untrack, type Snippet } from 'svelte';
  import { loadMusicFonts } from '../engraving/fonts.ts';
  import LessonMusic from '../lesson/LessonMusic.svelte';
  import { PAPERS } from '../lesson/lesson.ts';
  import Paper from '../paper/Paper.svelte';
  import { uploadPiece } from '../library/upload.ts';
  import { fileNameOf, saveFile } from '../save-file.ts';
  import { shownSpans } from '../sheet/shown-marks.ts';
  import { Listening } from '../sound/listening.svelte.ts';
  import TransportBar from '../sound/TransportBar.svelte';
  import { oneBar } from '../sound/one-bar.ts';
  import { barOf, type DrillDesk } from './drill-desk.svelte.ts';

  interface Props {
    desk: DrillDesk;
    density: Density;
    /** Into whose plans it may be put once it is kept. */
    students?: readonly { readonly id: string; readonly name: string }[];
    /** What stands between the buttons and the music. */
    children?: Snippet;
  }
  const { desk, density, students = [], children }: Props = $props();

  const PAPER = PAPERS.A4;
  /** Around the paper on a screen, in px. */
  const PAPER_MARGIN = 36;
  onMount(() => void loadMusicFonts());

  const made = $derived(desk.made);
  const plan = $derived(made?.planned.plan);
  const page = $derived(made?.planned.page?.density === density ? made.planned.page : undefined);
  const written = $derived(density === 'everything' ? undefined : page && new Map(page.notes));
  const marks = $derived(shownSpans(desk.placed, density === 'everything', page?.positions));
  $effect(() => {
    if (made && density !== 'everything') void made.planned.findPage(density);
  });

  let isDrawn = $state(false);
  let caret = $state(-1);
  let playhead = $state<number>();
  const listening = new Listening({
    load: async () => made!.planned.sounds(),
    start: () => made?.score.notes[caret]?.onset ?? 0,
    onStep: (onset) => (playhead = onset),
  });
  $effect(() => {
    if (!made) return;
    untrack(() => {
      caret = -1;
      kept = { state: 'not-kept' };
      listening.setLoop(undefined);
      void listening.refresh();
    });
  });

  type Keeping =
    | { readonly state: 'not-kept' | 'keeping' }
    | { readonly state: 'kept'; readonly piece: string }
    | { readonly state: 'refused'; readonly message: string };
  let kept = $state.raw<Keeping>({ state: 'not-kept' });
  const keep = async (): Promise<void> => {
    const drill = made;
    if (!drill) return;
    kept = { state: 'keeping' };
    const file = new File([drill.source], `${fileNameOf(drill.title)}.musicxml`);
    const outcome = await uploadPiece(file, undefined, () => {});
    if (made !== drill) return;
    kept = outcome.ok
      ? { state: 'kept', piece: outcome.value.id }
      : { state: 'refused', message: outcome.error.message };
  };
  const download = async (): Promise<void> => {
    if (!made) return;
    const { planned, title } = made;
    const outcome = await planned.exportMusicXml();
    if (outcome.ok) saveFile(new Blob([new Uint8Array(outcome.value)]), `${fileNameOf(title)}.musicxml`);
  };
</script>

<div class="mb-3 flex flex-wrap items-center gap-2 print:hidden">
  <p role="status" class="mr-auto text-sm opacity-80" data-testid="drill-state">
    {#if desk.problem}<span class="text-error">{desk.problem}</span>
    {:else if !made || desk.isMaking}Making …
    {:else}{made.score.bars.length}
      {made.score.bars.length === 1 ? 'bar' : 'bars'}, {made.score.notes.length} notes{/if}
  </p>
  {#if kept.state === 'kept'}
    {@const { piece } = kept}
    <a class="btn btn-ghost btn-sm" href="/pieces/{piece}">In the library: open it</a>
    {#if students.length > 0}
      <select
        class="select select-sm w-44"
        aria-label="Put it into a plan"
        onchange={({ currentTarget: { value } }) => void goto(`/students/${value}/plan?piece=${piece}`)}
      >
        <option value="" disabled selected>Into the plan of …</option>
        {#each students as { id, name } (id)}<option value={id}>{name}</option>{/each}
      </select>
    {/if}
  {:else}
    <button class="btn btn-sm" disabled={!made || kept.state === 'keeping'} onclick={keep}
      ><BookPlus class="size-4" aria-hidden="true" />
      {kept.state === 'keeping' ? 'Keeping …' : 'Keep in the library'}</button
    >
  {/if}
  <button class="btn btn-sm" disabled={!made} onclick={download}
    ><FileDown class="size-4" aria-hidden="true" /> MusicXML</button
  >
  <button class="btn btn-sm btn-primary" disabled={!made || !isDrawn} onclick={() => window.print()}
    ><Printer class="size-4" aria-hidden="true" /> Print</button
  >
</div>
{#if kept.state === 'refused'}<p role="alert" class="mb-3 text-sm text-error">{kept.message}</p>{/if}
{@render children?.()}
<!-- Where it is wider than its place, it is scrolled by key as well. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="drill overflow-x-auto print:overflow-visible" role="region" aria-label="The drill" tabindex="0">
  <Paper width={PAPER.width} margin={PAPER_MARGIN} isComplete={isDrawn && !desk.isMaking}>
    {#if made && plan}
      <h2 class="title">{made.title}</h2>
      {#key made}
        <LessonMusic
          score={made.score}
          {plan}
          {written}
          {marks}
          width={PAPER.width}
          tablature={false}
          letters={new Map()}
          ondrawn={(complete) => (isDrawn = complete)}
          {caret}
          {playhead}
          onpick={(note) => (caret = note)}
        />
      {/key}
      <div class="mt-4 hidden text-sm print:block">
        {#each made.care as care (care)}<p>{care}</p>{/each}
      </div>
    {/if}
  </Paper>
</div>
{#if made && plan}
  <div class="sticky bottom-0 z-10 mt-3 print:hidden">
    <TransportBar
      {listening}
      score={made.score}
      language="en"
      here={oneBar(barOf(made, caret))}
      goal={made.tempo}
      midi={(asWritten, once) => made.planned.questions.midi(asWritten, once)}
    />
  </div>
{/if}

<style>
  @media screen {
    .drill :global(.paper) {
      min-height: 20rem;
    }
  }
  .title {
    font-size: 1.4em;
    font-weight: 600;
    text-align: center;
    padding-bottom: 0.5em;
  }
</style>
