<script lang="ts">
  import { barLabel } from '@oculon/core';
  import { onMount, tick } from 'svelte';
  import { roomNeeded } from '../engraving/lay-out.ts';
  import { Listening, type PlanSounds } from '../sound/listening.svelte.ts';
  import { oneBar } from '../sound/one-bar.ts';
  import { ZoomIn, ZoomOut } from '@lucide/svelte';
  import { turnPage } from '../sheet/turn-page.ts';
  import LessonMusic from '../lesson/LessonMusic.svelte';
  import ShapeCardPicture from '../lesson/ShapeCardPicture.svelte';
  import AskForm from './AskForm.svelte';
  import BarAtHand from './BarAtHand.svelte';
  import { scoreOf, soundsAddress, type OpenedHandout } from './handout.ts';
  import { isReachable, keepForOffline, keptOn } from './keep-offline.ts';
  import { STUDENT_WORDS } from './student-words.ts';

  interface Props {
    data: OpenedHandout;
    form: { asked?: number; trouble?: 'unreadable' | 'too-many' } | null;
  }
  const { data, form }: Props = $props();

  const ZOOMS = [0.7, 0.85, 1, 1.2, 1.5, 2] as const;
  const WHOLE_SIZE = 2;
  /** How large it was made, by the place in `ZOOMS`; until then as large as the widest bar lets it be. */
  let chosenZoom = $state<number>();
  let needed = $state(0);
  let room = $state(0);
  let isDrawn = $state(false);
  /** Whether the whole sheet has been drawn once, or is no longer waited for: what else there is to see and hear comes then. */
  let hasMusic = $state(false);
  /** How long the rest waits for the music, in ms. */
  const PATIENCE = 5000;
  let chosen = $state<number>();
  let asking = $state<number>();
  let isOffline = $state(false);
  let copyFrom = $state<Date>();

  const { content } = $derived(data);
  const words = $derived(STUDENT_WORDS[data.lesson.language]);
  const score = $derived(scoreOf(content));
  $effect(() => {
    void roomNeeded(score).then(
      (found) => (needed = found),
      // Without its font there is no music; the shapes can be seen all the same.
      () => (hasMusic = true),
    );
  });
  const fitting = $derived(
    Math.max(
      0,
      ZOOMS.findLastIndex((each, place) => place <= WHOLE_SIZE && room / each >= needed),
    ),
  );
  const zoom = $derived(chosenZoom ?? fitting);
  const scale = $derived(ZOOMS[zoom]!);
  const width = $derived(Math.max(needed, Math.floor(room / scale)));
  const written = $derived(content.written && new Map(content.written));
  const letters = $derived(new Map(content.letters));
  const day = (iso: string | Date): string =>
    new Intl.DateTimeFormat(data.lesson.language, { dateStyle: 'long' }).format(new Date(iso));

  onMount(() => {
    copyFrom = keptOn();
    const waiting = setTimeout(() => (hasMusic = true), PATIENCE);
    return () => clearTimeout(waiting);
  });
  // Kept when all of it has been fetched, and when that is in nobody's way.
  $effect(() => {
    if (!hasMusic) return;
    void Promise.all([isReachable(), transportBar().catch(() => undefined)]).then(([isOnline]) => {
      isOffline = !isOnline;
      return keepForOffline(
        isOnline,
        data.hasSounds ? soundsAddress(location.pathname, data.givenAt) : undefined,
      );
    });
  });
  const transportBar = () => import('../sound/TransportBar.svelte');

  /** What is played now, as a tick on the page. */
  let playhead = $state<number>();
  let sounds: Promise<PlanSounds> | undefined;
  const loadSounds = async (): Promise<PlanSounds> => {
    try {
      const response = await fetch(soundsAddress(location.pathname, data.givenAt));
      if (response.ok) return (await response.json()) as PlanSounds;
    } catch {
      // Said below: without a network it is the same to whoever wants to hear it.
    }
    sounds = undefined;
    throw new Error(words.noSound);
  };
  const listening = new Listening({
    load: () => (sounds ??= loadSounds()),
    start: () => score.bars[chosen ?? 0]!.start,
    onStep: (onset) => {
      playhead = onset;
      void tick().then(turnTo);
    },
  });
  const told = async (from: number, to: number): Promise<readonly string[]> =>
    content.walk
      .filter((line) => line.to >= from && line.from <= to)
      .flatMap(({ sentences }) => sentences.map(({ text }) => text));
  let sheet: HTMLElement;
  let turnedTo: Element | null | undefined;
  /** Brings the line that is played into view, when it is another one: every note would cost a layout. */
  const turnTo = (): void => {
    const played = sheet.querySelector('[data-playhead]')?.closest('.system');
    if (played !== turnedTo) turnPage(played, played);
    turnedTo = played;
  };

  const measure = (element: HTMLElement) => {
    const observer = new ResizeObserver(([entry]) => (room = Math.floor(entry!.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  };
  const choose = (bar: number): void => {
    chosen = bar;
  };
  /** Goes on to a bar that may be out of sight. */
  const goTo = (bar: number): void => {
    choose(bar);
    document
      .querySelector(`[data-note="${firstNote}"]`)
      ?.scrollIntoView({ block: 'center', behavior: 'smooth' });
  };
  /** The first bar of the line that tells of a bar. */
  const lineOf = (bar: number): number | undefined => content.walk.findLast(({ from }) => from <= bar)?.from;
  /** What is told of the bar that was tapped. */
  const here = $derived(
    content.walk.find(({ from, to }) => chosen !== undefined && chosen >= from && chosen <= to),
  );
  const firstNote = $derived(score.notes.find(({ bar }) => bar === chosen)?.index ?? -1);
</script>

<svelte:head>
  <title>{content.title}</title>
  <link rel="manifest" href="manifest.webmanifest" />
  <meta name="robots" content="noindex" />
</svelte:head>
<svelte:window ononline={() => (isOffline = false)} onoffline={() => (isOffline = true)} />

<main class="page" lang={data.lesson.language}>
  <header>
    <h1>{content.title}</h1>
    <p>{content.composer}</p>
    <p class="small">
      {#if data.recipient}{words.for} {data.recipient}.{/if}
      {#if data.teacher}{words.from} {data.teacher}.{/if}
      {words.given}
      {day(data.givenAt)}. {words.opensUntil}
      {day(data.endsAt)}.
    </p>
    {#if isOffline}<p class="badge badge-warning" role="status">
        {words.offline}
        {copyFrom ? day(copyFrom) : ''}
      </p>{/if}
  </header>

  {#if data.remarks}
    <section class="remarks">
      <h2>{words.remarks}</h2>
      <p>{data.remarks}</p>
    </section>
  {/if}

  {#if data.changes.length > 0}
    <section class="news">
      <h2>{words.news}</h2>
      <ul>
        {#each data.changes as { bar, text }, index (index)}
          <li>{words.bar} {barLabel(score.bars[bar]!)}: {text}</li>
        {/each}
      </ul>
    </section>
  {/if}

  <section>
    <div class="zoom">
      <button
        class="btn btn-sm btn-square"
        aria-label={words.smaller}
        disabled={zoom === 0}
        onclick={() => (chosenZoom = zoom - 1)}><ZoomOut class="size-4" /></button
      >
      <button
        class="btn btn-sm btn-square"
        aria-label={words.larger}
        disabled={zoom === ZOOMS.length - 1}
        onclick={() => (chosenZoom = zoom + 1)}><ZoomIn class="size-4" /></button
      >
    </div>
    <!-- A sheet that is wider than the phone scrolls: the keyboard must reach it too. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div
      class="sheet"
      role="group"
      aria-label={words.sheet}
      tabindex="0"
      data-complete={isDrawn}
      bind:this={sheet}
      {@attach measure}
    >
      {#if room > 0 && needed > 0}
        <div style:zoom={scale}>
          <LessonMusic
            {score}
            plan={content}
            {written}
            marks={content.marks}
            {width}
            tablature={data.lesson.tablature}
            {letters}
            ondrawn={(complete) => {
              isDrawn = complete;
              hasMusic ||= complete;
            }}
            caret={firstNote}
            {playhead}
            onpick={(note) => choose(score.notes[note]!.bar)}
          />
        </div>
      {/if}
    </div>
  </section>

  {#if content.cards.length > 0}
    <section>
      <h2>{words.shapes}</h2>
      <div class="cards">
        <!-- After the music: on a phone they would keep it waiting. -->
        {#if hasMusic}
          {#each content.cards as card (`${card.bar} ${card.onset}`)}
            <ShapeCardPicture {card} label="{words.bar} {barLabel(score.bars[card.bar]!)}" />
          {/each}
        {/if}
      </div>
    </section>
  {/if}

  {#if content.walk.length > 0}
    <section>
      <h2>{words.walkThrough}</h2>
      {#each content.walk as line, index (index)}
        <article
          class:chosen={chosen !== undefined && lineOf(chosen) === line.from}
          class:slow={line.depth === 'slow' && data.lesson.depth !== 'slow'}
          data-walk-bar={line.from}
        >
          <h3>
            {line.heading}
            {#if line.from === line.to && letters.has(line.from)}<span class="badge badge-sm"
                >{letters.get(line.from)}</span
              >{/if}
            <button
              class="btn btn-ghost btn-xs"
              aria-expanded={asking === index}
              onclick={() => (asking = asking === index ? undefined : index)}>{words.ask}</button
            >
          </h3>
          <ul>
            {#each line.sentences as { text }, place (place)}<li>{text}</li>{/each}
          </ul>
          {#if asking === index}
            <AskForm {words} bar={line.from} refused={form?.trouble} onsent={() => (asking = undefined)} />
          {/if}
          {#if form?.asked === line.from && asking !== index}<p role="status" class="text-sm">
              {words.sent}
            </p>{/if}
        </article>
      {/each}
    </section>
  {/if}
  <p class="small">{words.care}</p>
  <div class="at-hand">
    {#if chosen !== undefined}
      <BarAtHand
        {words}
        {score}
        bar={chosen}
        line={here}
        isTold={content.walk.length > 0}
        {form}
        ongo={goTo}
        onclose={() => (chosen = undefined)}
      />
    {/if}
    {#if data.hasSounds && hasMusic}
      {#await transportBar() then { default: TransportBar }}
        <TransportBar
          {listening}
          {score}
          language={data.lesson.language}
          here={oneBar(chosen ?? 0)}
          goal={score.tempi[0]!.quartersPerMinute}
          {told}
        />
      {:catch}
        <p class="small px-4 pb-2" role="status">{words.noSound}</p>
      {/await}
    {/if}
  </div>
</main>

<style>
  .page {
    max-width: 60rem;
    margin-inline: auto;
    padding: 1rem;
    font-size: 1rem;
  }
  h1 {
    font: 600 1.6rem var(--font-serif);
  }
  h2 {
    font: 600 1.15rem var(--font-serif);
    margin-top: 1.2rem;
  }
  h3 {
    font-weight: 600;
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    align-items: center;
  }
  .small {
    font-size: 0.85rem;
    opacity: 0.75;
  }
  .remarks p {
    white-space: pre-wrap;
  }
  .zoom {
    display: flex;
    gap: 0.4rem;
    justify-content: flex-end;
  }
  .sheet {
    overflow-x: auto;
    min-height: 10rem;
  }
  .cards {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(98px, 1fr));
    gap: 0.8rem;
  }
  article {
    padding: 0.4rem 0.6rem;
    border-radius: var(--radius-box);
    /* A long walk-through is laid out as far as it is seen: all of it would keep the music waiting. */
    content-visibility: auto;
    contain-intrinsic-size: auto 8rem;
  }
  article.chosen {
    background: color-mix(in oklab, var(--color-warning) 18%, transparent);
  }
  article.slow {
    margin-left: 1rem;
    font-size: 0.92rem;
  }
  /* Stays in sight while the sheet is read. */
  .at-hand {
    position: sticky;
    bottom: 0;
    margin-inline: -1rem;
  }
  ul {
    list-style: disc;
    padding-left: 1.2rem;
  }
</style>
