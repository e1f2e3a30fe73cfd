<script lang="ts">
  import { goto } from '$app/navigation';
  import { onMount, untrack } from 'svelte';
  import { MediaQuery, SvelteSet } from 'svelte/reactivity';
  import NotFetched from '../NotFetched.svelte';
  import Part from '../Part.svelte';
  import ConflictDialog from '../document/ConflictDialog.svelte';
  import { whenIdle } from '../engraving/drawing-queue.ts';
  import { loadMusicFonts } from '../engraving/fonts.ts';
  import DifficultyStrip from '../sheet/DifficultyStrip.svelte';
  import Sheet from '../sheet/Sheet.svelte';
  import TransportBar from '../sound/TransportBar.svelte';
  import AtCaret from './at-caret/AtCaret.svelte';
  import type { PageDeed } from './commands/page-deed.ts';
  import DeskHeader from './DeskHeader.svelte';
  import { FirstMinute } from './first-minute/first-minute.svelte.ts';
  import { Hearing } from './hearing.svelte.ts';
  import { PieceExport, type ExportFormat } from './piece-export.svelte.ts';
  import SheetTools from './SheetTools.svelte';
  import StepRail from './steps/StepRail.svelte';
  import StepPlace from './steps/StepPlace.svelte';
  import { openInSteps } from './steps/open-in-steps.ts';
  import type { WorkStep } from './steps/work-steps.ts';
  import { workbenchOf, type Workbench } from './workbench.svelte.ts';
  import type { PageData } from '../../routes/(app)/pieces/[piece]/[fingering]/$types';

  const { data }: { data: PageData } = $props();

  /** The version's name, and whom it is for where the name does not say so. */
  const versionName = $derived(
    data.version.student && !data.version.name.includes(data.version.student)
      ? `${data.version.name}, for ${data.version.student}`
      : data.version.name,
  );
  const address = $derived(`/pieces/${data.piece.id}/${data.fingering}`);

  let workbench = $state.raw<Workbench>();
  let sheet = $state<Sheet>();
  /** The music comes first; what stands beside it is made when it can be seen. */
  let isSheetShown = $state(false);
  /** How long that waits for a sheet that may never stand, in ms. */
  const PATIENCE = 1500;
  let helpOpen = $state(false);
  let listOpen = $state(false);
  const minute = new FirstMinute();
  const exporting = new PieceExport(() => data.piece.title);
  /** Where there is room for the transport beside the title. */
  const isWide = new MediaQuery('(min-width: 64rem)');

  let hearing = $state.raw<Hearing>();
  // Another plan is heard as soon as it stands.
  $effect(() => {
    if (workbench?.planned.plan && !workbench.planned.planning)
      untrack(() => void hearing?.listening.refresh());
  });

  onMount(() => {
    const opened = untrack(() => workbenchOf(data));
    workbench = opened;
    hearing = new Hearing(opened);
    void loadMusicFonts();
    void opened.open();
    return () => opened.close();
  });
  $effect(() => {
    if (workbench?.piece.phase === 'ready') workbench.view.remember(workbench.caret.index);
  });

  $effect(() => {
    if (workbench?.piece.phase !== 'ready') return;
    const waiting = setTimeout(() => (isSheetShown = true), PATIENCE);
    return () => clearTimeout(waiting);
  });

  const focusSheet = () => sheet?.focus();
  // Later than the music: to take the focus the page must be laid out.
  $effect(() => {
    if (workbench?.piece.phase === 'ready' && sheet)
      void whenIdle().then(() => {
        if (document.activeElement === document.body) focusSheet();
      });
  });
  const jump = (note: number) => {
    if (workbench) workbench.caret.index = note;
    focusSheet();
  };

  const goToStep = (step: WorkStep, byPointer: boolean) => {
    if (workbench) workbench.view.step = step;
    workbench?.past.close();
    workbench?.against.close();
    if (byPointer) focusSheet();
  };
  /** Questions that were answered since the page was loaded. */
  const answered = new SvelteSet<string>();
  const unanswered = $derived(data.questions.filter(({ id, readAt }) => !readAt && !answered.has(id)).length);
  const exportAs = (format: ExportFormat) => workbench && exporting.write(workbench.planned, format);
  const pageDeeds: readonly PageDeed[] = $derived([
    { does: 'open the lesson sheet', run: () => void goto(`${address}/lesson`) },
    { does: 'open the practice plan', run: () => void goto(`${address}/practice`) },
    { does: 'what was done before, to look at and bring back', run: () => void workbench?.past.open() },
    { does: 'versions of the piece', run: () => void goto(`/pieces/${data.piece.id}/versions`) },
    { does: 'export MusicXML with the fingering', run: () => void exportAs('musicxml') },
    {
      does: 'export MusicXML with a staff of six lines',
      run: () => void exportAs('musicxml-tablature'),
    },
    { does: 'export the plan as JSON', run: () => void exportAs('json') },
    { does: 'the first minute: be shown around', run: () => minute.begin() },
    { does: 'show all keys', run: () => (helpOpen = true) },
    ...(data.isTyped
      ? [{ does: 'correct what was typed', run: () => void goto(`/pieces/${data.piece.id}/type`) }]
      : []),
    { does: 'back to the library', run: () => void goto('/') },
  ]);

  const onkeydown = (event: KeyboardEvent) => {
    const target = event.target as Element;
    if (target.closest('input, select, textarea, dialog, [role=dialog]')) return;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === '?') helpOpen = true;
    if (event.key.toLowerCase() === 'k' && workbench?.piece.phase === 'ready') {
      event.preventDefault();
      listOpen = true;
    }
  };
</script>

<svelte:head><title>{data.piece.title} · Oculon</title></svelte:head>
<svelte:window {onkeydown} ononline={() => workbench?.decisions.saving.send()} />

{#snippet transport()}
  {#if hearing && isSheetShown && workbench?.piece.score && workbench.planned.plan}
    {@const heard = hearing}
    {@const { piece, planned, caret, decisions } = workbench}
    <Part name="Playing"
      ><TransportBar
        listening={heard.listening}
        score={piece.score!}
        language="en"
        here={caret.bars}
        goal={decisions.setup.tempo ?? piece.score!.tempi[0]!.quartersPerMinute}
        isSlim={isWide.current}
        told={(from, to) => heard.told(from, to)}
        midi={(asWritten, once) => planned.questions.midi(asWritten, once)}
      /></Part
    >
  {/if}
{/snippet}

<div class="desk">
  <DeskHeader
    piece={data.piece}
    version={{ ...data.version, id: data.fingering }}
    {versionName}
    others={data.others}
    oncompare={(version) => {
      workbench?.past.close();
      void workbench?.against.lay(version);
    }}
    {address}
    {workbench}
    exporting={exporting.isWriting}
    onexport={exportAs}
    onpast={() => void workbench?.past.open()}
    onhelp={() => (helpOpen = true)}
    onlist={() => (listOpen = true)}
    transport={isWide.current ? transport : undefined}
  />

  {#if workbench?.piece.phase === 'failed'}
    <div role="alert" class="m-8 rounded-box border border-error p-6">
      <h2 class="text-lg">This piece cannot be opened</h2>
      <p class="mt-1">{workbench.piece.problem}</p>
      <a class="btn mt-4" href="/">To the library</a>
    </div>
  {:else if !workbench || workbench.piece.phase === 'opening'}
    <p class="m-8 opacity-80" role="status">Opening the piece …</p>
  {:else}
    {@const { piece, decisions, planned, caret, view } = workbench}
    <div class="places">
      <StepRail step={view.step} open={openInSteps(workbench, unanswered)} ongo={goToStep} />
      <div class="middle">
        <main class="music" class:in-line={view.layout === 'line'}>
          <div class="map">
            <Part name="How hard the bars are"
              ><DifficultyStrip {piece} {planned} {caret} onjump={jump} /></Part
            >
            <SheetTools {view} />
          </div>
          <Part name="The sheet"
            ><Sheet
              bind:this={sheet}
              {workbench}
              playhead={hearing?.playhead}
              onshown={() => (isSheetShown = true)}
            /></Part
          >
        </main>
        {#if minute.step}
          {#await import('./first-minute/FirstMinuteCard.svelte') then { default: FirstMinuteCard }}
            <FirstMinuteCard {minute} {workbench} />
          {:catch}
            <NotFetched floats />
          {/await}
        {/if}
      </div>
      <aside class="beside">
        <div class="caret">
          {#if isSheetShown}<AtCaret {workbench} ondone={focusSheet} onjump={jump} />{/if}
        </div>
        <StepPlace
          {workbench}
          isAwaited={!isSheetShown}
          {versionName}
          exportProblem={exporting.problem}
          origin={data.origin}
          student={data.version.student ?? ''}
          questions={data.questions}
          {address}
          source={{ id: data.piece.id, part: data.part, digest: data.digest }}
          correcting={data.isTyped ? `/pieces/${data.piece.id}/type` : undefined}
          onjump={jump}
          onread={(question) => answered.add(question)}
          onhear={(version, bar) => hearing?.hear(version, bar)}
          ondone={focusSheet}
        />
      </aside>
    </div>
    <!-- Never fetched when it is needed: without it nothing more would be saved. -->
    {#if decisions.conflict && piece.score}
      <ConflictDialog score={piece.score} conflict={decisions.conflict} />
    {/if}
    <!-- What is seldom opened is fetched when it is. -->
    {#if workbench.otherWays.isOpen}
      {#await import('./ways/WaysDialog.svelte') then { default: WaysDialog }}
        <WaysDialog
          {workbench}
          piecePath="/pieces/{data.piece.id}"
          fingering={data.fingering}
          onhear={(version, bar) => hearing?.hear(version, bar)}
          ondone={focusSheet}
        />
      {:catch}
        <NotFetched floats />
      {/await}
    {/if}
    {#if listOpen}
      {#await import('./commands/CommandList.svelte') then { default: CommandList }}
        <CommandList {workbench} {pageDeeds} bind:open={listOpen} ondone={focusSheet} />
      {:catch}
        <NotFetched floats />
      {/await}
    {/if}
  {/if}
  {#if !isWide.current}{@render transport()}{/if}
</div>
{#if helpOpen}
  {#await import('./commands/KeyboardHelp.svelte') then { default: KeyboardHelp }}
    <KeyboardHelp onclose={() => (helpOpen = false)} />
  {:catch}
    <NotFetched floats />
  {/await}
{/if}

<style>
  /* A key changes what a dozen buttons look like: fading them costs a dozen frames just while the planner works. */
  .desk :global(.btn) {
    transition: none;
  }
  .desk {
    display: flex;
    flex-direction: column;
    height: 100dvh;
  }
  .places {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-rows: auto minmax(0, 1fr) minmax(0, 44%);
    grid-template-columns: minmax(0, 1fr);
  }
  .middle {
    position: relative;
    min-width: 0;
    min-height: 0;
  }
  .music {
    height: 100%;
    min-width: 0;
    overflow: hidden auto;
    padding: 0 0.5rem 0.5rem;
  }
  .music.in-line {
    overflow: auto hidden;
  }
  .map {
    position: sticky;
    top: 0;
    left: 0;
    z-index: 5;
    display: flex;
    align-items: center;
    gap: 0.5rem;
    padding: 0.3rem 0.25rem;
    background: var(--color-base-100);
  }
  .beside {
    min-width: 0;
    overflow-y: auto;
    border-top: 1px solid var(--color-base-300);
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 0.5rem;
    padding: 0.5rem;
    align-content: start;
  }
  /* Every target is large enough to be hit. */
  .beside :global(:is(button, summary)) {
    min-height: 24px;
  }
  .beside :global(.checkbox) {
    --size: 1.5rem;
  }
  @media (max-width: 40rem) {
    .map {
      flex-wrap: wrap;
      gap: 0;
    }
    .map > :global(.strip) {
      flex-basis: 100%;
    }
  }
  @media (min-width: 44rem) {
    .beside {
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      overflow: hidden;
      align-content: stretch;
    }
    .caret {
      min-height: 0;
      overflow-y: auto;
      padding-inline: 0.25rem;
    }
  }
  @media (min-width: 64rem) {
    .places {
      grid-template-rows: minmax(0, 1fr);
      grid-template-columns: 8.6rem minmax(0, 1fr) 20.5rem;
    }
    .places > :global(nav) {
      border-right: 1px solid var(--color-base-300);
    }
    .beside {
      display: flex;
      flex-direction: column;
      gap: 0;
      padding: 0;
      border-top: none;
      border-left: 1px solid var(--color-base-300);
    }
    .caret {
      flex: none;
      max-height: 68%;
      padding: 0.25rem 0.75rem 0.4rem;
      border-bottom: 1px solid var(--color-base-300);
    }
  }
  @media print {
    .desk,
    .places,
    .middle,
    .music {
      display: block;
      height: auto;
      overflow: visible;
    }
    .places > :global(nav),
    .map,
    .beside {
      display: none;
    }
  }
</style>
