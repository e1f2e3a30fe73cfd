<script lang="ts">
  import { ArrowLeft, Download, Printer, Undo2 } from '@lucide/svelte';
  import { barLabel, markId, type PlacedMark, type ShapeCard } from '@oculon/core';
  import { onMount, tick, untrack } from 'svelte';
  import { keep, kept } from '../browser-storage.svelte.ts';
  import ConflictDialog from '../document/ConflictDialog.svelte';
  import SaveBadge from '../document/SaveBadge.svelte';
  import { Outdated } from '../planner/asking.ts';
  import { shownSpans } from '../sheet/shown-marks.ts';
  import { workbenchOf, type Workbench } from '../workbench/workbench.svelte.ts';
  import type { PageData } from '../../routes/(app)/pieces/[piece]/[fingering]/lesson/$types';
  import { lettersOfHardBars } from './hard-bars.ts';
  import { toDataURL } from 'qrcode';
  import GivenLinks from '../handouts/GivenLinks.svelte';
  import LessonMusic from './LessonMusic.svelte';
  import LessonOptions from './LessonOptions.svelte';
  import LessonWalk from './LessonWalk.svelte';
  import { OwnWalk } from './own-walk.svelte.ts';
  import OwnWordsList from './OwnWordsList.svelte';
  import SentenceDialog from './SentenceDialog.svelte';
  import { LARGE, lessonSchema, PAPERS, PLAIN_LESSON, pageStarts, type Lesson } from './lesson.ts';
  import { LESSON_WORDS } from './lesson-words.ts';
  import Paper from '../paper/Paper.svelte';
  import ShapeCardPicture from './ShapeCardPicture.svelte';

  const { data }: { data: PageData & { teacher: { name: string } } } = $props();

  const KEPT_AS = 'oculon-lesson';
  /** Around the paper on a screen, in px: the 15 mm that the printer leaves. */
  const PAPER_MARGIN = 57;
  const keptLesson = (): Lesson => {
    try {
      return lessonSchema.parse({ ...PLAIN_LESSON, ...JSON.parse(kept(KEPT_AS) ?? '{}') });
    } catch {
      return PLAIN_LESSON;
    }
  };

  const lesson = $state<Lesson>({ ...PLAIN_LESSON });
  let remarks = $state('');
  let student = $state('');
  let workbench = $state.raw<Workbench>();
  let walk = $state.raw<OwnWalk>();
  let cards = $state.raw<readonly ShapeCard[]>([]);
  let problem = $state('');
  let paper = $state<HTMLElement>();
  let pages = $state(1);
  /** The link given last, and its picture for the printed sheet. */
  let link = $state('');
  let code = $state('');
  let isDrawn = $state(false);

  onMount(() => {
    Object.assign(lesson, untrack(keptLesson), data.speech ?? {});
    student = data.version.student ?? '';
    const opened = workbenchOf(data);
    workbench = opened;
    walk = new OwnWalk(opened.decisions, () => opened.piece.score);
    void opened.open();
    return () => opened.close();
  });

  const planned = $derived(workbench?.planned);
  const plan = $derived(planned && !planned.planning ? planned.plan : undefined);
  const score = $derived(workbench?.piece.score);
  const words = $derived(LESSON_WORDS[lesson.language]);
  const size = $derived(PAPERS[lesson.paper]);
  const scale = $derived(lesson.large ? LARGE : 1);
  const width = $derived(Math.floor(size.width / scale));
  const page = $derived(planned?.page?.density === lesson.density ? planned.page : undefined);
  const written = $derived(lesson.density === 'everything' ? undefined : page && new Map(page.notes));
  const isReady = $derived(plan !== undefined && (lesson.density === 'everything' || page !== undefined));
  const letters = $derived(
    plan && lesson.hardSpots ? lettersOfHardBars(plan.difficulty) : new Map<number, string>(),
  );
  const marks = $derived.by((): readonly PlacedMark[] => {
    if (!workbench) return [];
    const decisions = workbench.decisions.fingering.marks;
    const positions = page?.positions.filter((mark) => decisions.get(markId(mark))?.kind !== 'removed');
    return shownSpans(workbench.marks.placed, lesson.density === 'everything', positions);
  });

  $effect(() => {
    const own = walk;
    if (!plan || !planned || !own) return;
    const { density, depth, language, noteNames, cards: withCards } = lesson;
    void (async () => {
      try {
        if (density !== 'everything') await planned.findPage(density);
        own.told =
          depth === null
            ? undefined
            : { lines: await planned.questions.walk(depth, language, noteNames), depth, language };
        cards = withCards ? await planned.questions.shapes() : [];
      } catch (error) {
        if (!(error instanceof Outdated))
          problem = 'The lesson sheet could not be made. Load the page again.';
      }
    })();
  });
  $effect(() => {
    const chosen = JSON.stringify(lesson);
    untrack(() => workbench && keep(KEPT_AS, chosen));
  });

  /** Parts the blocks on pages as the printer will: what begins a page is marked. */
  const paginate = async (): Promise<void> => {
    await tick();
    if (!paper) return;
    const blocks = [...paper.querySelectorAll<HTMLElement>('[data-block]')];
    for (const block of blocks) block.classList.remove('page-start');
    // On a narrow screen the paper is shown smaller than it is.
    const shown = paper.getBoundingClientRect().width / paper.offsetWidth;
    const starts = pageStarts(
      blocks.map((block) => ({
        height: block.getBoundingClientRect().height / shown,
        keepsNext: block.dataset.block === 'heading',
      })),
      size.height,
    );
    for (const start of starts) blocks[start]!.classList.add('page-start');
    pages = starts.size + 1;
  };
  $effect(() => {
    // Whatever changes the height of something parts the pages anew.
    void [
      walk?.lines,
      cards,
      isDrawn,
      isReady,
      remarks,
      student,
      size,
      scale,
      letters,
      written,
      lesson.tablature,
      code,
    ];
    // Before all of it is there its pages are nobody's, and each measuring would lay the paper out once more.
    if (isReady && isDrawn) void paginate();
  });

  // The size of the page belongs to the whole document, so it cannot stand among this component's styles.
  $effect(() => {
    const style = document.createElement('style');
    style.textContent = `@page { size: ${size.size}; margin: 15mm; }`;
    document.head.append(style);
    return () => style.remove();
  });

  $effect(() => {
    const address = link;
    if (address) void toDataURL(address, { margin: 0, width: 220 }).then((picture) => (code = picture));
  });

  let isWriting = $state(false);
  const downloadPages = async (): Promise<void> => {
    if (!paper) return;
    isWriting = true;
    try {
      // What is written is measured on the paper: it has to lie there in its own size.
      await tick();
      // Asked for by few: it is loaded when it is.
      const { downloadAsSvg } = await import('./download-pages.ts');
      await downloadAsSvg(paper, size, data.piece.title);
    } catch {
      problem = 'The pages could not be written. Load the page again.';
    } finally {
      isWriting = false;
    }
  };

  const today = $derived(new Intl.DateTimeFormat(lesson.language, { dateStyle: 'long' }).format(new Date()));
  const letterOf = (bar: number): string | undefined => letters.get(bar);
  const cardRows = $derived(
    Array.from({ length: Math.ceil(cards.length / 6) }, (_, row) => cards.slice(row * 6, row * 6 + 6)),
  );
</script>

<svelte:head>
  <title>{data.piece.title} · {words.lessonSheet}</title>
</svelte:head>

<div class="lesson">
  <header
    class="flex flex-wrap items-center gap-2 border-b border-base-300 bg-base-100 px-4 py-2 print:hidden"
  >
    <a class="btn btn-ghost btn-sm" href="/pieces/{data.piece.id}/{data.fingering}"
      ><ArrowLeft class="size-4" aria-hidden="true" /> Workbench</a
    >
    <h1 class="mr-auto truncate text-lg font-semibold">Lesson sheet: {data.piece.title}</h1>
    <p class="text-sm opacity-70" role="status" data-testid="pages">
      {isReady && isDrawn ? `${pages} ${pages === 1 ? 'page' : 'pages'}` : 'Preparing …'}
    </p>
    {#if workbench}
      {@const { history, saving } = workbench.decisions}
      <SaveBadge {saving} score={workbench.piece.score} />
      <button
        class="btn btn-ghost btn-sm"
        disabled={!history.canUndo}
        onclick={() => workbench?.decisions.undo()}><Undo2 class="size-4" aria-hidden="true" /> Undo</button
      >
    {/if}
    <button class="btn btn-sm" disabled={!isReady || !isDrawn || isWriting} onclick={downloadPages}
      ><Download class="size-4" aria-hidden="true" />
      {isWriting ? 'Writing …' : pages === 1 ? 'SVG' : 'SVG of each page'}</button
    >
    <button class="btn btn-sm btn-primary" disabled={!isReady || !isDrawn} onclick={() => window.print()}
      ><Printer class="size-4" aria-hidden="true" /> Print or save as PDF</button
    >
  </header>
  {#if workbench?.piece.phase === 'failed'}
    <p role="alert" class="m-6">{workbench.piece.problem}</p>
  {/if}
  {#if problem}<p role="alert" class="m-6 text-error">{problem}</p>{/if}
  <div class="grid gap-6 p-4 lg:grid-cols-[16rem_1fr] print:block print:p-0">
    <aside class="space-y-6 print:hidden">
      {#if walk && score}
        {@const own = walk}
        <OwnWordsList {score} leftOut={own.leftOut} stray={own.stray} onreturn={(key) => own.giveBack(key)} />
      {/if}
      <LessonOptions {lesson} bind:remarks bind:student />
      {#if workbench}
        <GivenLinks
          fingering={data.fingering}
          saving={workbench.decisions.saving}
          given={data.handouts}
          students={data.students}
          {lesson}
          {remarks}
          {student}
          bind:link
        />
      {/if}
    </aside>
    <main class="sheet min-w-0">
      <Paper
        width={size.width}
        margin={PAPER_MARGIN}
        fits={!isWriting}
        bind:element={paper}
        isComplete={isReady && isDrawn}
        language={lesson.language}
        fontSize={scale * 14}
      >
        <div data-block class="head" class:with-code={code !== ''}>
          {#if code}<img class="code" src={code} alt={words.scan} />{/if}
          <h2>{data.piece.title}</h2>
          <p class="line"><span>{data.piece.composer}</span><span>{today}</span></p>
          <p class="line">
            <span>{student ? `${words.student}: ${student}` : ''}</span>
            <span>{data.teacher.name ? `${words.teacher}: ${data.teacher.name}` : ''}</span>
          </p>
        </div>
        {#if remarks}<p data-block class="remarks">{remarks}</p>{/if}
        {#if score}
          <div class="music" style:zoom={scale}>
            <LessonMusic
              {score}
              plan={isReady ? plan : undefined}
              {written}
              {marks}
              {width}
              tablature={lesson.tablature}
              {letters}
              ondrawn={(complete) => (isDrawn = complete)}
              onpick={(note) => {
                const bar = score.bars[score.notes[note]!.bar]!;
                walk?.add({ from: bar.index, heading: `${words.bar} ${barLabel(bar)}` });
              }}
            />
          </div>
        {/if}
        {#if cards.length > 0 && score}
          <h3 data-block="heading">{words.shapes}</h3>
          {#each cardRows as row, index (index)}
            <div data-block class="cards">
              {#each row as card (`${card.bar} ${card.onset}`)}
                <ShapeCardPicture {card} label="{words.bar} {barLabel(score.bars[card.bar]!)}" />
              {/each}
            </div>
          {/each}
        {/if}
        {#if walk && walk.lines.length > 0}
          {@const own = walk}
          <h3 data-block="heading">{words.walkThrough}</h3>
          <LessonWalk
            walk={own.lines}
            depth={lesson.depth}
            {letterOf}
            onedit={(line, sentence) => own.edit(line, sentence)}
            onadd={(line) => own.add(line)}
          />
        {/if}
        <p data-block class="care">{words.care}</p>
      </Paper>
    </main>
  </div>
  {#if walk?.draft}
    {@const own = walk}
    {@const { heading, text, isOwn, words } = walk.draft}
    <SentenceDialog
      {heading}
      {text}
      {isOwn}
      planned={words.planned}
      onsay={(said) => own.say(said)}
      onclose={() => (own.draft = undefined)}
    />
  {/if}
  {#if workbench?.decisions.conflict && workbench.piece.score}
    <ConflictDialog score={workbench.piece.score} conflict={workbench.decisions.conflict} />
  {/if}
</div>

<style>
  .sheet {
    line-height: 1.4;
  }
  @media screen {
    /* While pages are written the paper lies there in its own size, also on a phone. */
    .sheet {
      overflow-x: clip;
    }
    .sheet :global(.page-start) {
      margin-top: 57px;
      padding-top: 57px;
      border-top: 2px dashed #999;
    }
  }
  @media print {
    .sheet :global(.page-start) {
      break-before: page;
    }
    .sheet :global(.paper) {
      width: auto !important;
      margin: 0;
    }
  }
  /* What is measured is what the page gives it: no margin may stick out of a block. */
  .sheet :global([data-block]) {
    display: flow-root;
  }
  .sheet :global(.cards[data-block]) {
    display: grid;
  }
  h2 {
    font-size: 1.7em;
    font-weight: 600;
    text-align: center;
  }
  h3 {
    font-size: 1.2em;
    font-weight: 600;
    padding-top: 0.8em;
    padding-bottom: 0.2em;
    break-after: avoid;
  }
  .line {
    display: flex;
    justify-content: space-between;
  }
  .head {
    padding-bottom: 0.6em;
  }
  .head.with-code {
    min-height: 84px;
    padding-right: 92px;
    position: relative;
  }
  .code {
    position: absolute;
    right: 0;
    top: 0;
    width: 76px;
  }
  .remarks {
    white-space: pre-wrap;
    border: 1px solid black;
    padding: 0.4em 0.7em;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(6, 1fr);
    gap: 6px;
    padding-block: 4px;
    break-inside: avoid;
  }
  .care {
    padding-top: 1em;
    font-size: 0.8em;
  }
</style>
