<script lang="ts">
  import { COMFORTABLE_LEVEL } from '@oculon/core';
  import { goto } from '$app/navigation';
  import { onMount, untrack } from 'svelte';
  import { MediaQuery, SvelteSet } from 'svelte/reactivity';
  import Part from '../Part.svelte';
  import ConflictDialog from '../document/ConflictDialog.svelte';
  import { loadMusicFonts } from '../engraving/fonts.ts';
  import type { VersionMessage } from '../planner/api.ts';
  import { fileNameOf, saveFile } from '../save-file.ts';
  import DifficultyStrip from '../sheet/DifficultyStrip.svelte';
  import Sheet from '../sheet/Sheet.svelte';
  import { Listening } from '../sound/listening.svelte.ts';
  import TransportBar from '../sound/TransportBar.svelte';
  import { problemWords } from '../words.ts';
  import AtCaret from './at-caret/AtCaret.svelte';
  import type { PageDeed } from './commands/page-deed.ts';
  import DeskHeader from './DeskHeader.svelte';
  import DeskStatus from './DeskStatus.svelte';
  import FirstMinuteCard from './first-minute/FirstMinuteCard.svelte';
  import { FirstMinute } from './first-minute/first-minute.svelte.ts';
  import SheetTools from './SheetTools.svelte';
  import StepPane from './steps/StepPane.svelte';
  import StepRail from './steps/StepRail.svelte';
  import { WORK_STEPS, type WorkStep } from './steps/work-steps.ts';
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
  let helpOpen = $state(false);
  let listOpen = $state(false);
  const minute = new FirstMinute();
  let exporting = $state(false);
  let exportProblem = $state('');
  /** Where there is room for the transport beside the title. */
  const isWide = new MediaQuery('(min-width: 64rem)');

  /** What is played now, as a tick on the page. */
  let playhead = $state<number>();
  const listening = new Listening({
    load: async () => workbench!.planned.sounds(),
    start: () => workbench?.caret.note?.onset ?? 0,
    onStep: (onset) => (playhead = onset),
  });
  // Another plan is heard as soon as it stands.
  $effect(() => {
    if (workbench?.planned.plan && !workbench.planned.planning) untrack(() => void listening.refresh());
  });
  /** Plays another version of the piece from a bar on, to be heard in turn with the plan. */
  const hear = async (version: VersionMessage, bar: number): Promise<void> => {
    try {
      await listening.hear(await workbench!.planned.soundsOf(version), bar);
    } catch {
      listening.problem = 'This could not be played. Load the page again.';
    }
  };
  const told = async (from: number, to: number): Promise<readonly string[]> => {
    const lines = await workbench!.planned.questions.walk('bars', 'en', 'letters');
    return lines
      .filter((line) => line.depth === 'bars' && line.to >= from && line.from <= to)
      .flatMap((line) => line.sentences.map(({ text }) => text));
  };

  onMount(() => {
    const opened = untrack(() => workbenchOf(data));
    workbench = opened;
    void loadMusicFonts();
    void opened.open();
    return () => opened.close();
  });
  $effect(() => {
    if (workbench?.piece.phase === 'ready') workbench.view.remember(workbench.caret.index);
  });

  let stepPlace = $state<HTMLElement>();
  // Another step begins at its top.
  $effect(() => {
    if (workbench?.view.step) stepPlace?.scrollTo({ top: 0 });
  });

  const focusSheet = () => sheet?.focus();
  const jump = (note: number) => {
    if (workbench) workbench.caret.index = note;
    focusSheet();
  };

  const goToStep = (step: WorkStep, byPointer: boolean) => {
    if (workbench) workbench.view.step = step;
    workbench?.past.close();
    if (byPointer) focusSheet();
  };
  /** Questions that were answered since the page was loaded. */
  const answered = new SvelteSet<string>();
  /** How much is open in each step. */
  const open = $derived.by((): Readonly<Record<WorkStep, number>> | undefined => {
    const plan = workbench?.planned.plan;
    if (!workbench || !plan) return undefined;
    const { findings } = workbench;
    const counts = Object.fromEntries(WORK_STEPS.map((step) => [step, findings.of(step).length]));
    return {
      ...(counts as Record<WorkStep, number>),
      hard: plan.difficulty.filter(({ level }) => level > COMFORTABLE_LEVEL).length,
      'hand-over': data.questions.filter(({ id, readAt }) => !readAt && !answered.has(id)).length,
    };
  });

  const download = (content: string | Uint8Array<ArrayBuffer>, extension: string, type: string) =>
    saveFile(new Blob([content], { type }), `${fileNameOf(data.piece.title)}${extension}`);
  /** Exports once the plan of the last decision stands. */
  const exportAs = async (what: 'musicxml' | 'json'): Promise<void> => {
    if (!workbench) return;
    exporting = true;
    exportProblem = '';
    try {
      if (what === 'json') download(await workbench.planned.exportJson(), '.plan.json', 'application/json');
      else {
        const written = await workbench.planned.exportMusicXml();
        if (!written.ok) exportProblem = problemWords(written.error);
        else
          download(
            written.value as Uint8Array<ArrayBuffer>,
            '.musicxml',
            'application/vnd.recordare.musicxml+xml;charset=utf-8',
          );
      }
    } catch (error) {
      exportProblem = (error as Error).message;
    } finally {
      exporting = false;
    }
  };
  const pageDeeds: readonly PageDeed[] = [
    { does: 'open the lesson sheet', run: () => void goto(`${address}/lesson`) },
    { does: 'open the practice plan', run: () => void goto(`${address}/practice`) },
    { does: 'what was done before, to look at and bring back', run: () => void workbench?.past.open() },
    { does: 'versions of the piece', run: () => void goto(`/pieces/${data.piece.id}/versions`) },
    { does: 'export MusicXML with the fingering', run: () => void exportAs('musicxml') },
    { does: 'export the plan as JSON', run: () => void exportAs('json') },
    { does: 'the first minute: be shown around', run: () => minute.begin() },
    { does: 'show all keys', run: () => (helpOpen = true) },
    { does: 'back to the library', run: () => void goto('/') },
  ];

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
  {#if workbench?.piece.score && workbench.planned.plan}
    {@const { piece, planned, caret, decisions } = workbench}
    <Part name="Playing"
      ><TransportBar
        {listening}
        score={piece.score!}
        language="en"
        here={caret.bars}
        goal={decisions.setup.tempo ?? piece.score!.tempi[0]!.quartersPerMinute}
        isSlim={isWide.current}
        {told}
        midi={(asWritten, once) => planned.questions.midi(asWritten, once)}
      /></Part
    >
  {/if}
{/snippet}

<div class="desk">
  <DeskHeader
    piece={data.piece}
    {versionName}
    isAway={data.version.isAway}
    {address}
    {workbench}
    {exporting}
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
      <StepRail step={view.step} {open} ongo={goToStep} />
      <div class="middle">
        <main class="music" class:in-line={view.layout === 'line'}>
          <div class="map">
            <Part name="How hard the bars are"
              ><DifficultyStrip {piece} {planned} {caret} onjump={jump} /></Part
            >
            <SheetTools {view} />
          </div>
          <Part name="The sheet"><Sheet bind:this={sheet} {workbench} {playhead} /></Part>
        </main>
        {#if minute.step}<FirstMinuteCard {minute} {workbench} />{/if}
      </div>
      <aside class="beside">
        <div class="caret">
          <AtCaret {workbench} ondone={focusSheet} onjump={jump} />
        </div>
        <div class="step" bind:this={stepPlace}>
          <DeskStatus {planned} notice={workbench.notice} problem={exportProblem} />
          {#if workbench.past.isOpen && piece.score}
            <Part name="What was done"
              >{#await import('./past/PastPanel.svelte') then { default: PastPanel }}<PastPanel
                  past={workbench.past}
                  score={piece.score}
                  ondone={focusSheet}
                />{/await}</Part
            >
          {:else}
            <StepPane
              {workbench}
              origin={data.origin}
              student={data.version.student ?? ''}
              questions={data.questions}
              {address}
              onjump={jump}
              onread={(question) => answered.add(question)}
              onhear={hear}
              ondone={focusSheet}
            />
          {/if}
        </div>
      </aside>
    </div>
    <ConflictDialog {piece} {decisions} />
    <!-- What is seldom opened is fetched when it is. -->
    {#if workbench.otherWays.isOpen}
      {#await import('./ways/WaysDialog.svelte') then { default: WaysDialog }}
        <WaysDialog
          {workbench}
          piecePath="/pieces/{data.piece.id}"
          fingering={data.fingering}
          onhear={hear}
          ondone={focusSheet}
        />
      {/await}
    {/if}
    {#if listOpen}
      {#await import('./commands/CommandList.svelte') then { default: CommandList }}
        <CommandList {workbench} {pageDeeds} bind:open={listOpen} ondone={focusSheet} />
      {/await}
    {/if}
  {/if}
  {#if !isWide.current}{@render transport()}{/if}
</div>
{#if helpOpen}
  {#await import('./commands/KeyboardHelp.svelte') then { default: KeyboardHelp }}
    <KeyboardHelp onclose={() => (helpOpen = false)} />
  {/await}
{/if}

<style>
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
    .caret,
    .step {
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
    .step {
      flex: 1;
      padding: 0.5rem 0.75rem;
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
