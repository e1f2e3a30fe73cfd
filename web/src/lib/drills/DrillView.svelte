<script lang="ts">
  import { replaceState } from '$app/navigation';
  import {
    DENSITIES,
    DRILL_GROUPS,
    DRILL_KINDS,
    drillAbout,
    drillGroupName,
    drillName,
    wordingIn,
    type Density,
    type DrillName,
  } from '@oculon/core';
  import { BookPlus, FileDown, Printer } from '@lucide/svelte';
  import { onMount, untrack } from 'svelte';
  import { loadMusicFonts } from '../engraving/fonts.ts';
  import LessonMusic from '../lesson/LessonMusic.svelte';
  import { PAPERS } from '../lesson/lesson.ts';
  import { uploadPiece } from '../library/upload.ts';
  import { Outdated } from '../planner/asking.ts';
  import { saveFile } from '../save-file.ts';
  import { shownSpans } from '../sheet/shown-marks.ts';
  import { Listening } from '../sound/listening.svelte.ts';
  import TransportBar from '../sound/TransportBar.svelte';
  import DrillParameters from './DrillParameters.svelte';
  import { DrillDesk, isDrillName, type DrillPlayer } from './drill-desk.svelte.ts';
  import { crossingsOf, type CountedWay } from './right-hands.ts';
  import type { PageData } from '../../routes/(app)/drills/$types';

  const { data, asked }: { data: Pick<PageData, 'students'>; asked: URLSearchParams } = $props();

  const wording = wordingIn('en');
  const DENSITY_NAMES: Readonly<Record<Density, string>> = {
    essential: 'Essential marks',
    working: 'Working marks',
    everything: 'Every mark',
  };
  const NOBODY: DrillPlayer = { setup: {}, language: 'en', noteNames: 'letters' };
  const PAPER = PAPERS.A4;

  const {
    kind: askedKind = '',
    for: askedFor = '',
    ...askedValues
  } = untrack(() => Object.fromEntries(asked));
  const first: DrillName = isDrillName(askedKind) ? askedKind : 'scale-in-position';
  let kind = $state(first);
  /** What is chosen for each kind: another kind and back again, it is still there. */
  let chosen = $state.raw<Readonly<Partial<Record<DrillName, Readonly<Record<string, string>>>>>>({
    [first]: isDrillName(askedKind) ? askedValues : {},
  });
  let forWhom = $state(askedFor);
  let density = $state<Density>('working');
  const desk = new DrillDesk();
  const typed = $derived(chosen[kind] ?? {});
  const player = $derived.by((): DrillPlayer => {
    const student = data.students.find(({ id }) => id === forWhom);
    if (!student) return NOBODY;
    // A drill is made for six strings in standard tuning: of the instrument its size counts.
    const { hand, spans, scaleLength } = student.setup;
    return {
      setup: { ...(hand && { hand }), ...(spans && { spans }), ...(scaleLength && { scaleLength }) },
      language: student.language,
      noteNames: student.noteNames,
    };
  });

  let isAlive = $state(false);
  onMount(() => {
    void loadMusicFonts();
    isAlive = true;
    return () => desk.close();
  });
  $effect(() => {
    if (!isAlive) return;
    const [wanted, values, whose, student] = [kind, typed, player, forWhom];
    untrack(() => {
      desk.ask(wanted, values, whose);
      kept = { state: 'not-kept' };
      replaceState(
        `?${new URLSearchParams({ kind: wanted, ...values, ...(student && { for: student }) })}`,
        {},
      );
    });
  });

  const made = $derived(desk.made);
  const plan = $derived(made?.planned.plan);
  const page = $derived(made?.planned.page?.density === density ? made.planned.page : undefined);
  const written = $derived(density === 'everything' ? undefined : page && new Map(page.notes));
  const marks = $derived(shownSpans(desk.placed, density === 'everything', page?.positions));
  $effect(() => {
    if (made && density !== 'everything') void made.planned.findPage(density);
  });

  /** Both solutions of the right hand, where the fingers are left to the planner. */
  let ways = $state.raw<readonly CountedWay[]>([]);
  $effect(() => {
    const current = made;
    ways = [];
    if (!current || current.drill.values.fingers !== 'planned' || current.drill.kind !== 'arpeggio') return;
    void crossingsOf(current)
      .then((counted) => (ways = counted))
      .catch((error: unknown) => {
        if (!(error instanceof Outdated)) desk.problem = 'The right hand could not be compared.';
      });
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
    caret = -1;
    untrack(() => {
      listening.setLoop(undefined);
      void listening.refresh();
    });
  });

  const choose = (name: string, value: string): void => {
    chosen = { ...chosen, [kind]: { ...typed, [name]: value } };
  };

  type Keeping =
    | { readonly state: 'not-kept' | 'keeping' }
    | { readonly state: 'kept'; readonly piece: string }
    | { readonly state: 'refused'; readonly message: string };
  let kept = $state.raw<Keeping>({ state: 'not-kept' });
  const fileName = (title: string): string => title.replaceAll(/[^\p{L}\p{N} _-]/gu, '');
  const keep = async (): Promise<void> => {
    const drill = made;
    if (!drill) return;
    kept = { state: 'keeping' };
    const file = new File([drill.source], `${fileName(drill.title)}.musicxml`);
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
    if (outcome.ok) saveFile(new Blob([new Uint8Array(outcome.value)]), `${fileName(title)}.musicxml`);
  };
</script>

<div class="mt-6 grid gap-6 lg:grid-cols-[17rem_1fr] print:mt-0 print:block">
  <aside class="space-y-4 print:hidden">
    <label class="block text-sm"
      >Drill
      <select class="select mt-1 w-full" bind:value={kind}>
        {#each DRILL_GROUPS as group (group)}
          <optgroup label={drillGroupName(wording, group)}>
            {#each DRILL_KINDS.filter((each) => each.group === group) as each (each.name)}
              <option value={each.name}>{drillName(wording, each.name)}</option>
            {/each}
          </optgroup>
        {/each}
      </select></label
    >
    <p class="text-sm opacity-80">{drillAbout(wording, kind)}</p>
    <DrillParameters {kind} {typed} onset={choose} />
    <div class="grid grid-cols-2 gap-3 text-sm">
      <label
        >For
        <select class="select select-sm mt-1 w-full" bind:value={forWhom}>
          <option value="">a medium hand</option>
          {#each data.students as student (student.id)}<option value={student.id}>{student.name}</option
            >{/each}
        </select></label
      >
      <label
        >Marks
        <select class="select select-sm mt-1 w-full" bind:value={density}>
          {#each DENSITIES as each (each)}<option value={each}>{DENSITY_NAMES[each]}</option>{/each}
        </select></label
      >
    </div>
    {#if made}
      {#each made.care as care (care)}<p class="border-l-2 border-warning pl-2 text-xs">{care}</p>{/each}
    {/if}
  </aside>
  <main>
    <div class="mb-3 flex flex-wrap items-center gap-2 print:hidden">
      <p role="status" class="mr-auto text-sm opacity-80" data-testid="drill-state">
        {#if desk.problem}<span class="text-error">{desk.problem}</span>
        {:else if !made || desk.isMaking}Making …
        {:else}{made.score.bars.length}
          {made.score.bars.length === 1 ? 'bar' : 'bars'}, {made.score.notes.length} notes{/if}
      </p>
      {#if kept.state === 'kept'}
        <a class="btn btn-ghost btn-sm" href="/pieces/{kept.piece}">In the library: open it</a>
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
    {#if ways.length > 0}
      <dl class="mb-3 flex flex-wrap gap-x-6 gap-y-1 text-sm print:hidden" data-testid="right-hands">
        {#each ways as way (way.name)}
          <div class="flex gap-2">
            <dt class="opacity-70">{way.name}:</dt>
            <dd>
              {way.crossings}
              {way.crossings === 1 ? 'crossing' : 'crossings'}, {way.repeats}
              {way.repeats === 1 ? 'finger twice running' : 'fingers twice running'}
            </dd>
          </div>
        {/each}
      </dl>
    {/if}
    <!-- Where it is wider than its place, it is scrolled by key as well. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div class="overflow-x-auto print:overflow-visible" role="region" aria-label="The drill" tabindex="0">
      <div
        class="paper"
        data-theme="oculon"
        style:width="{PAPER.width}px"
        data-complete={isDrawn && !desk.isMaking}
      >
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
      </div>
    </div>
    {#if made && plan}
      <div class="sticky bottom-0 z-10 mt-3 print:hidden">
        <TransportBar
          {listening}
          score={made.score}
          language="en"
          here={made.score.notes[caret]?.bar ?? 0}
          goal={Number(made.drill.values.tempo)}
          midi={(asWritten, once) => made.planned.questions.midi(asWritten, once)}
        />
      </div>
    {/if}
  </main>
</div>

<style>
  .paper {
    background: white;
    color: black;
    --color-base-100: white;
    --color-base-content: black;
    --color-secondary: black;
    --color-primary: black;
    margin-inline: auto;
    font-family: var(--font-serif);
  }
  @media screen {
    .paper {
      box-sizing: content-box;
      padding: 32px 40px;
      min-height: 20rem;
      box-shadow: 0 1px 8px rgb(0 0 0 / 0.2);
    }
  }
  .title {
    font-size: 1.4em;
    font-weight: 600;
    text-align: center;
    padding-bottom: 0.5em;
  }
</style>
