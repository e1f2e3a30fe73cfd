<script lang="ts">
  import { problemWords } from '../words.ts';
  import { ArrowLeft, Download, Dumbbell, FileText, Keyboard, Redo2, Undo2 } from '@lucide/svelte';
  import { onMount, untrack } from 'svelte';
  import Part from '$lib/Part.svelte';
  import { loadMusicFonts } from '$lib/engraving/fonts.ts';
  import ChangesPanel from '$lib/panels/ChangesPanel.svelte';
  import ChoicesPanel from '$lib/panels/ChoicesPanel.svelte';
  import ConflictDialog from '$lib/document/ConflictDialog.svelte';
  import DifficultyStrip from '$lib/sheet/DifficultyStrip.svelte';
  import { PLAIN_DISPLAY, type Display } from '$lib/sheet/display.ts';
  import DisplayPanel from '$lib/panels/DisplayPanel.svelte';
  import FindingsPanel from '$lib/panels/FindingsPanel.svelte';
  import HardSpots from '$lib/panels/HardSpots.svelte';
  import BarreList from '$lib/panels/BarreList.svelte';
  import FormPanel from '$lib/panels/FormPanel.svelte';
  import HandPanel from '$lib/panels/HandPanel.svelte';
  import MarksPanel from '$lib/panels/MarksPanel.svelte';
  import MovementPanel from '$lib/panels/MovementPanel.svelte';
  import ShiftList from '$lib/panels/ShiftList.svelte';
  import KeyboardHelp from '$lib/sheet/KeyboardHelp.svelte';
  import NotePanel from '$lib/panels/NotePanel.svelte';
  import PluckChoices from '$lib/panels/PluckChoices.svelte';
  import RightHandPanel from '$lib/panels/RightHandPanel.svelte';
  import QuestionsPanel from '$lib/handouts/QuestionsPanel.svelte';
  import WalkPanel from '$lib/panels/WalkPanel.svelte';
  import PassagePanel from '$lib/panels/PassagePanel.svelte';
  import SaveBadge from '$lib/document/SaveBadge.svelte';
  import SetupPanel from '$lib/panels/SetupPanel.svelte';
  import Sheet from '$lib/sheet/Sheet.svelte';
  import { Listening } from '$lib/sound/listening.svelte.ts';
  import TransportBar from '$lib/sound/TransportBar.svelte';
  import { fileNameOf, saveFile } from '$lib/save-file.ts';
  import ThemeToggle from '$lib/ThemeToggle.svelte';
  import { redo, undo } from '$lib/workbench/commands.ts';
  import { workbenchOf, type Workbench } from '$lib/workbench/workbench.svelte.ts';
  import type { VersionMessage } from '$lib/planner/api.ts';
  import type { PageData } from '../../routes/(app)/pieces/[piece]/[fingering]/$types';

  interface Props {
    data: PageData;
  }
  const { data }: Props = $props();

  /** The version's name, and whom it is for where the name does not say so. */
  const versionName = $derived(
    data.version.student && !data.version.name.includes(data.version.student)
      ? `${data.version.name}, for ${data.version.student}`
      : data.version.name,
  );

  let workbench = $state.raw<Workbench>();
  let sheet = $state<Sheet>();
  const display = $state<Display>({ ...PLAIN_DISPLAY });
  let helpOpen = $state(false);
  let exportProblem = $state('');
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

  const focusSheet = () => sheet?.focus();
  const jump = (note: number) => {
    if (workbench) workbench.caret.index = note;
    focusSheet();
  };

  const download = (content: string | Uint8Array<ArrayBuffer>, extension: string, type: string) =>
    saveFile(new Blob([content], { type }), `${fileNameOf(data.piece.title)}${extension}`);
  let exporting = $state(false);
  /** Exports once the plan of the last decision stands. */
  const exported = async (write: () => Promise<void>) => {
    exporting = true;
    exportProblem = '';
    try {
      await write();
    } catch (error) {
      exportProblem = (error as Error).message;
    } finally {
      exporting = false;
    }
  };
  const exportMusicXml = () =>
    exported(async () => {
      const written = await workbench!.planned.exportMusicXml();
      if (!written.ok) exportProblem = problemWords(written.error);
      else
        download(
          written.value as Uint8Array<ArrayBuffer>,
          '.musicxml',
          'application/vnd.recordare.musicxml+xml;charset=utf-8',
        );
    });
  const exportJson = () =>
    exported(async () => download(await workbench!.planned.exportJson(), '.plan.json', 'application/json'));

  const onkeydown = (event: KeyboardEvent) => {
    const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement;
    if (!typing && event.key === '?') helpOpen = true;
  };
</script>

<svelte:head><title>{data.piece.title} · Oculon</title></svelte:head>
<svelte:window {onkeydown} ononline={() => workbench?.decisions.saving.send()} />

<div class="flex h-full min-h-screen flex-col">
  <header
    class="sticky top-0 z-10 flex flex-wrap items-center gap-2 border-b border-base-300 bg-base-100 px-4 py-2"
  >
    <a class="btn btn-ghost btn-sm" href="/"><ArrowLeft class="size-4" aria-hidden="true" /> Library</a>
    <div class="mr-auto min-w-0">
      <h1 class="truncate text-lg leading-tight font-semibold">{data.piece.title}</h1>
      <p class="truncate text-xs">
        <a class="link-hover underline decoration-dotted" href="/pieces/{data.piece.id}/versions"
          >{versionName}</a
        >
        {#if data.version.isAway}<span class="badge badge-xs badge-warning">deleted</span>{/if}
        {#if data.piece.composer}<span class="opacity-70">· {data.piece.composer}</span>{/if}
      </p>
    </div>
    {#if workbench}
      <SaveBadge saving={workbench.decisions.saving} score={workbench.piece.score} />
      <button
        class="btn btn-ghost btn-sm btn-square"
        aria-label="Undo"
        disabled={!workbench.decisions.history.canUndo}
        onclick={() => undo(workbench!)}><Undo2 class="size-4" /></button
      >
      <button
        class="btn btn-ghost btn-sm btn-square"
        aria-label="Redo"
        disabled={!workbench.decisions.history.canRedo}
        onclick={() => redo(workbench!)}><Redo2 class="size-4" /></button
      >
      <a class="btn btn-sm" href="/pieces/{data.piece.id}/{data.fingering}/lesson"
        ><FileText class="size-4" aria-hidden="true" /> Lesson sheet</a
      >
      <a class="btn btn-sm" href="/pieces/{data.piece.id}/{data.fingering}/practice"
        ><Dumbbell class="size-4" aria-hidden="true" /> Practice</a
      >
      <div class="dropdown dropdown-end">
        <button class="btn btn-sm" disabled={!workbench.planned.plan || exporting}
          ><Download class="size-4" aria-hidden="true" /> {exporting ? 'Exporting …' : 'Export'}</button
        >
        <ul
          class="menu dropdown-content z-20 mt-1 w-64 rounded-box border border-base-300 bg-base-100 p-1 shadow"
        >
          <li><button onclick={exportMusicXml}>MusicXML with the fingering</button></li>
          <li><button onclick={exportJson}>The plan as JSON</button></li>
          <li><a href="/api/pieces/{data.piece.id}/source" download>The file as it came</a></li>
        </ul>
      </div>
    {/if}
    <button class="btn btn-ghost btn-sm btn-square" aria-label="Keys" onclick={() => (helpOpen = true)}
      ><Keyboard class="size-4" /></button
    >
    <ThemeToggle />
  </header>

  {#if workbench?.piece.phase === 'failed'}
    <div role="alert" class="m-8 rounded-box border border-error p-6">
      <h2 class="text-lg">This piece cannot be opened</h2>
      <p class="mt-1">{workbench.piece.problem}</p>
      <a class="btn mt-4" href="/">To the library</a>
    </div>
  {:else if !workbench}
    <p class="m-8 opacity-70" role="status">Opening the piece …</p>
  {:else}
    {@const { piece, decisions, planned, caret, marks, findings } = workbench}
    <div class="grid grow grid-cols-1 gap-4 p-4 lg:grid-cols-[1fr_19rem]">
      <main class="min-w-0">
        {#if piece.phase === 'opening'}
          <p class="m-4 opacity-70" role="status">Opening the piece …</p>
        {:else}
          <Part name="How hard the bars are"><DifficultyStrip {piece} {planned} {caret} onjump={jump} /></Part
          >
          <Part name="The sheet"><Sheet bind:this={sheet} {workbench} {display} {playhead} /></Part>
        {/if}
      </main>
      <aside
        class="space-y-5 lg:sticky lg:top-16 lg:max-h-[calc(100vh-7.5rem)] lg:self-start lg:overflow-y-auto lg:border-l lg:border-base-300 lg:pl-4"
      >
        <div
          class="min-h-6 text-sm"
          role="status"
          aria-live="polite"
          aria-busy={planned.planning}
          data-testid="status"
        >
          {#if planned.slow}
            <progress
              class="progress progress-secondary w-40"
              value={planned.progress}
              max="1"
              aria-label="Planning"
            ></progress> planning …
          {:else if workbench.notice}
            {workbench.notice}
          {:else if planned.plan}
            Planned in {Math.round(planned.plan.ms)} ms. Effort: left {planned.plan.leftCost.toFixed(1)},
            right {planned.plan.rightCost.toFixed(1)}
          {/if}
        </div>
        {#if exportProblem}<p role="alert" class="text-sm text-error">{exportProblem}</p>{/if}
        <Part name="The note"><NotePanel {workbench} ondone={focusSheet} /></Part>
        <Part name="Other ways to take the note"><ChoicesPanel {workbench} ondone={focusSheet} /></Part>
        <Part name="Other fingers to pluck"><PluckChoices {workbench} ondone={focusSheet} /></Part>
        <Part name="What changed"><ChangesPanel {piece} {planned} onjump={jump} /></Part>
        {#if data.origin}
          <Part name="For another hand"
            ><HandPanel
              {piece}
              {decisions}
              {planned}
              origin={data.origin}
              student={data.version.student ?? ''}
              onjump={jump}
              onhear={hear}
              ondone={focusSheet}
            /></Part
          >
        {/if}
        <Part name="Findings"
          ><FindingsPanel {piece} {decisions} {planned} {findings} onjump={jump} ondone={focusSheet} /></Part
        >
        <Part name="Questions"><QuestionsPanel questions={data.questions} {piece} onjump={jump} /></Part>
        <Part name="In words"><WalkPanel {piece} {decisions} {planned} {caret} /></Part>
        <Part name="Movements"><MovementPanel {piece} {planned} {caret} /></Part>
        <Part name="Marks"
          ><MarksPanel {piece} {decisions} {planned} {caret} {marks} ondone={focusSheet} /></Part
        >
        <Part name="Hard spots"><HardSpots {piece} {planned} onjump={jump} /></Part>
        <Part name="Shifts"
          ><ShiftList {piece} {decisions} {planned} onjump={jump} ondone={focusSheet} /></Part
        >
        <Part name="Barres"
          ><BarreList {piece} {decisions} {planned} onjump={jump} ondone={focusSheet} /></Part
        >
        <Part name="Form"><FormPanel {piece} {decisions} {planned} onjump={jump} ondone={focusSheet} /></Part>
        <Part name="Passage"
          ><PassagePanel {piece} {decisions} {planned} {caret} onhear={hear} ondone={focusSheet} /></Part
        >
        <Part name="Right hand"
          ><RightHandPanel {piece} {decisions} {planned} {caret} ondone={focusSheet} /></Part
        >
        <Part name="Hand, instrument, schools"><SetupPanel {piece} {decisions} /></Part>
        <Part name="Display"><DisplayPanel {display} /></Part>
        <p class="text-xs leading-relaxed opacity-80">
          <span class="font-semibold text-secondary">Plain</span>: proposed by Oculon.
          <span class="font-extrabold text-primary underline">Underlined</span>: decided by you.
          <span class="font-extrabold">Heavy</span>: written in the file.
          <span class="underline decoration-dotted">Dotted</span>: another way would do as well. Right-hand
          letters are
          <i class="font-serif">p i m a</i>; digits are always the left hand.
        </p>
      </aside>
    </div>
    <ConflictDialog {piece} {decisions} />
    {#if piece.score && planned.plan}
      {@const score = piece.score}
      <div class="sticky bottom-0 z-10">
        <Part name="Playing"
          ><TransportBar
            {listening}
            {score}
            language="en"
            here={caret.note?.bar ?? 0}
            goal={decisions.setup.tempo ?? score.tempi[0]!.quartersPerMinute}
            {told}
            midi={(asWritten, once) => planned.questions.midi(asWritten, once)}
          /></Part
        >
      </div>
    {/if}
  {/if}
</div>
{#if helpOpen}<KeyboardHelp onclose={() => (helpOpen = false)} />{/if}
