<script lang="ts">
  import { dayName, wordingIn, type LogEntry, type SessionStep } from '@oculon/core';
  import { onMount, tick } from 'svelte';
  import { isReachable, keepForOffline } from '../handouts/keep-offline.ts';
  import { loadMusicFonts } from '../engraving/fonts.ts';
  import type { OpenedCourse, PracticeSheet } from '../practice/course-content.ts';
  import DaysAhead from './DaysAhead.svelte';
  import { goalOf, sheetOf, Sheets } from './goal-sheets.ts';
  import OwnLog from './OwnLog.svelte';
  import { Practising } from './practising.svelte.ts';
  import { PRACTISING_WORDS } from './practising-words.ts';
  import StepView from './StepView.svelte';
  import TodayList from './TodayList.svelte';

  interface Props {
    data: OpenedCourse;
    /** The address of the page. */
    page: string;
  }
  const { data, page }: Props = $props();

  const words = $derived(PRACTISING_WORDS[data.course.language]);
  const wording = $derived(wordingIn(data.course.language, data.course.noteNames));
  // One page is one course: its address does not change under it.
  // svelte-ignore state_referenced_locally
  const practising = new Practising(() => data, page);
  // svelte-ignore state_referenced_locally
  const sheets = new Sheets(page);

  let tab = $state<'today' | 'week' | 'log'>('today');
  /** The step that is under way, with the entry it will be kept as. */
  let running = $state.raw<{
    readonly place: number;
    readonly step: SessionStep;
    readonly entry: LogEntry | undefined;
  }>();
  let isOffline = $state(false);
  let isUnkept = $state(false);

  onMount(() => {
    void practising.open().catch(() => (isUnkept = true));
    void (async () => {
      const isOnline = await isReachable();
      isOffline = !isOnline;
      // Fetched while there is a network, to be practised from without one.
      await Promise.allSettled([
        ...data.course.goals.map((goal) => sheets.of(goal)),
        import('./PracticeMusic.svelte'),
        import('../logbook/charts.ts'),
        loadMusicFonts(),
      ]);
      await keepForOffline(isOnline);
    })();
    const turning = setInterval(() => {
      // Whoever practises past midnight finishes the day they began.
      if (!running) practising.turnDay();
      void practising.flush();
    }, 60_000);
    return () => clearInterval(turning);
  });

  const musicOf = async (step: SessionStep): Promise<PracticeSheet | undefined> => {
    for (const goal of goalOf(step, data.course.goals)) {
      const sheet = sheetOf(step, await sheets.of(goal));
      if (sheet) return sheet;
    }
    return undefined;
  };
  const spotOf = (step: SessionStep) =>
    step.kind === 'climb' || step.kind === 'drill' ? practising.spotOf(step.goal, step.spot) : undefined;
  const begin = async (place: number): Promise<void> => {
    const planned = practising.session.steps[place]!;
    const step = practising.asItStands(planned);
    running = { place, step, entry: practising.entryFor(step) };
    await tick();
    scrollTo(0, 0);
  };
  const end = async (entry: LogEntry | undefined): Promise<void> => {
    const { place } = running!;
    // A break leaves no entry: it is over when one goes past it.
    if (entry) await practising.keep(entry).catch(() => (isUnkept = true));
    else practising.pass(place);
    await goOn();
  };
  const skip = async (): Promise<void> => {
    const { place, entry } = running!;
    if (entry) await practising.drop(entry).catch(() => {});
    practising.pass(place);
    await goOn();
  };
  const goOn = async (): Promise<void> => {
    const { next } = practising;
    if (next === undefined) running = undefined;
    else await begin(next);
  };
  const back = (): void => {
    const entry = running?.entry;
    running = undefined;
    if (entry) void practising.settle(entry);
  };
</script>

<svelte:head>
  <title>{words.title} · {data.course.student}</title>
  <link rel="manifest" href="{page}/manifest.webmanifest" />
  <meta name="robots" content="noindex" />
</svelte:head>
<svelte:window
  ononline={() => {
    isOffline = false;
    void practising.flush();
  }}
  onoffline={() => (isOffline = true)}
/>

<main class="page" lang={data.course.language} data-ready={practising.isOpen}>
  {#if running}
    {#key running}
      {@const { step, entry } = running}
      {@const spot = spotOf(step)}
      <StepView
        {step}
        first={entry}
        ladder={spot?.ladder}
        kind={spot?.spot.kind}
        named={practising.named}
        {wording}
        {words}
        sheet={musicOf(step)}
        onhold={(entry) => void practising.hold(entry).catch(() => (isUnkept = true))}
        onend={end}
        onskip={skip}
        onback={back}
      />
    {/key}
  {:else}
    <div class="list">
      <header>
        <h1>{words.title}</h1>
        <p class="small">
          {data.course.student} · {dayName(wording, practising.today)}
          {#if data.teacher}· {words.from} {data.teacher}{/if}
        </p>
      </header>
      {#if practising.isClosed}<p role="alert" class="my-2 text-sm text-error">{words.closed}</p>{/if}
      {#if isOffline}<p role="status" class="my-2 text-sm">{words.offline}</p>{/if}
      {#if isUnkept}<p role="alert" class="my-2 text-sm text-error">{words.unkept}</p>{/if}
      {#if practising.waiting > 0}<p role="status" class="my-2 text-sm" data-testid="waiting">
          {words.waiting}
          {practising.waiting}
        </p>{/if}
      {#each practising.refused as message, index (index)}<p role="alert" class="my-2 text-sm text-error">
          {words.refused}
          {message}
        </p>{/each}
      <div role="tablist" class="tabs tabs-border print:hidden">
        {#each ['today', 'week', 'log'] as const as name (name)}
          <button
            role="tab"
            class={['tab', tab === name && 'tab-active']}
            aria-selected={tab === name}
            onclick={() => (tab = name)}>{words[name]}</button
          >
        {/each}
      </div>
      {#if tab === 'today'}
        <TodayList {practising} {wording} {words} onbegin={begin} />
      {:else if tab === 'week'}
        <DaysAhead {practising} {wording} {words} />
      {:else}
        <OwnLog {practising} {wording} {words} />
      {/if}
      <p class="small mt-6">{words.care}</p>
    </div>
  {/if}
</main>

<style>
  .page {
    max-width: 44rem;
    margin-inline: auto;
  }
  .list {
    padding: 1rem;
  }
  h1 {
    font: 600 1.5rem var(--font-serif);
  }
  .small {
    font-size: 0.85rem;
    opacity: 0.8;
  }
</style>
