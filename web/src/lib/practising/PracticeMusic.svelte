<script lang="ts">
  import type { Language } from '@oculon/core';
  import { untrack } from 'svelte';
  import { roomNeeded } from '../engraving/lay-out.ts';
  import LessonMusic from '../lesson/LessonMusic.svelte';
  import type { PracticeSheet } from '../practice/course-content.ts';
  import { Listening } from '../sound/listening.svelte.ts';
  import TransportBar from '../sound/TransportBar.svelte';
  import { oneBar } from '../sound/one-bar.ts';
  import { scoreOfSheet } from './goal-sheets.ts';

  interface Props {
    sheet: PracticeSheet;
    language: Language;
    /** The tempo at which it is practised, in quarters a minute. */
    tempo: number;
    label: string;
  }
  const { sheet, language, tempo, label }: Props = $props();

  let room = $state(0);
  let caret = $state(-1);
  let playhead = $state<number>();
  let isDrawn = $state(false);
  const score = $derived(scoreOfSheet(sheet));
  /** Music that wants more room than there is is drawn smaller, down to here; beyond it, one scrolls. */
  const SMALLEST = 0.6;
  let needed = $state<number>();
  $effect(() => {
    const asked = score;
    void roomNeeded(asked).then((found) => {
      if (asked === score) needed = found;
    });
  });
  const scale = $derived(Math.max(SMALLEST, Math.min(1, room / (needed ?? room))));
  const goal = $derived(score.tempi[0]!.quartersPerMinute);
  const listening = new Listening({
    load: async () => sheet.sounds,
    start: () => score.notes[caret]?.onset ?? 0,
    onStep: (onset) => (playhead = onset),
    hasOwnTempo: true,
  });
  // Each rung is heard at its own tempo.
  $effect(() => {
    const rate = tempo / goal;
    untrack(() => listening.setRate(rate));
  });
  const measure = (element: HTMLElement) => {
    const observer = new ResizeObserver(([entry]) => (room = Math.floor(entry!.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  };
</script>

<!-- A sheet that is wider than the phone scrolls: the keyboard must reach it too. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="sheet" role="group" aria-label={label} tabindex="0" data-complete={isDrawn} {@attach measure}>
  {#if room > 0 && needed !== undefined}
    <div style:zoom={scale}>
      <LessonMusic
        {score}
        plan={sheet}
        written={undefined}
        marks={sheet.marks}
        width={Math.max(Math.floor(room / scale), needed)}
        tablature={false}
        letters={new Map()}
        ondrawn={(complete) => (isDrawn = complete)}
        {caret}
        {playhead}
        onpick={(note) => (caret = note)}
      />
    </div>
  {/if}
</div>
<div class="transport">
  <TransportBar {listening} {score} {language} here={oneBar(score.notes[caret]?.bar ?? 0)} {goal} />
</div>

<style>
  .sheet {
    overflow-x: auto;
    min-height: 8rem;
  }
  /* Above what is at hand at the foot of the page. */
  .transport {
    position: sticky;
    bottom: var(--at-hand, 0);
    margin-inline: -0.6rem;
  }
</style>
