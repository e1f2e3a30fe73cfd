<script lang="ts">
  import { barLabel, type ChoicePreview, type MarksAt, type PlacedMark, type Score } from '@oculon/core';
  import type { Snippet } from 'svelte';
  import Part from '../Part.svelte';
  import { headsAt, type SystemGeometry } from '../engraving/geometry.ts';
  import { marksKeeper } from '../engraving/laid-marks.ts';
  import { bareNote, type Origins } from '../engraving/marks.ts';
  import { laySigns, NO_ROWS, type SheetSign } from '../engraving/sign-rows.ts';
  import type { DrawingQueue } from '../engraving/drawing-queue.ts';
  import { drawSystem } from '../engraving/vexflow-system.ts';
  import type { PlanView } from '../planner/api.ts';
  import TabStaff from '../tablature/TabStaff.svelte';
  import { TAB_HEIGHT } from '../tablature/tab-staff.ts';
  import { nearness } from './nearness.ts';
  import SystemLayer from './SystemLayer.svelte';

  interface Props {
    score: Score;
    first: number;
    widths: readonly number[];
    /** Where the notes are taken; undefined before that is known. */
    plan: Pick<PlanView, 'notes'> | undefined;
    /** Whether the plan will be here in a moment: bare notes would only be laid to be laid again. */
    isAwaited?: boolean;
    marks: readonly PlacedMark[];
    hiddenWords: ReadonlySet<string>;
    origin: Origins;
    caret: number;
    changed: ReadonlySet<string>;
    nearTies: ReadonlySet<number>;
    everyString: boolean;
    /** The marks to show; all of them when missing. */
    written: ReadonlyMap<number, MarksAt> | undefined;
    ringing: ReadonlyMap<number, number>;
    rightSigns: readonly SheetSign[];
    /** Whether strings and frets stand under the system on six lines. */
    tablature?: boolean;
    /** Letters of bars that are framed. */
    letters?: ReadonlyMap<number, string>;
    /** What is played now, as a tick; undefined when nothing is. */
    playhead?: number | undefined;
    queue: DrawingQueue;
    ondrawn: () => void;
    /** What is selected, in ticks. */
    selected?: { readonly from: number; readonly to: number } | undefined;
    /** What a choice that is pointed at would change. */
    preview?: ChoicePreview | undefined;
    /** Neither clef nor key stands at its beginning: the line goes on from the piece before. */
    continues?: boolean;
    /** Whether it is a piece of a line without end: all staves lie at one height. */
    inLine?: boolean;
    /** What stands under the system while it can be seen, and how high that is. */
    under?: Snippet<[SystemGeometry]>;
    underHeight?: number;
    onpick: (note: number) => void;
  }
  const {
    score,
    first,
    widths,
    plan,
    isAwaited = false,
    marks: placed,
    hiddenWords,
    origin,
    caret,
    changed,
    nearTies,
    everyString,
    written,
    ringing,
    rightSigns,
    tablature = false,
    letters,
    playhead,
    queue,
    ondrawn,
    selected,
    preview,
    continues = false,
    inLine = false,
    under,
    underHeight = 0,
    onpick,
  }: Props = $props();

  /** Systems this far outside the window are drawn with those inside, in px. */
  const NEAR = 80;
  /** Room over and under the staff in a line without end, in px: more is seldom needed, and all staves lie at one height. */
  const OVER_STAFF = 110;
  const UNDER_STAFF = 150;

  let geometry = $state.raw<SystemGeometry>();
  /** Why the system could not be engraved. */
  let failure = $state('');
  const barsShown = $derived.by(() => {
    const [from, to] = [score.bars[first], score.bars[first + widths.length - 1]];
    if (!from || !to || from === to) return `Bar ${from ? barLabel(from) : first + 1}`;
    return `Bars ${barLabel(from)}–${barLabel(to)}`;
  });

  // The engraving is drawn once for a width; only the layer above follows the plan.
  const engrave = (holder: HTMLElement) => {
    let gone = false;
    const near = nearness(holder.parentElement!, NEAR);
    const leave = queue.add({
      isNear: near.isNear,
      draw: async (breathe) => {
        const drawn = await drawSystem(holder, score, first, widths, breathe, continues);
        near.close();
        if (gone) return;
        geometry = drawn;
        failure = '';
        ondrawn();
      },
      failed: (error) => {
        if (gone) return;
        failure = error instanceof Error ? error.message : String(error);
        holder.replaceChildren();
        ondrawn();
      },
    });
    return () => {
      gone = true;
      leave();
      near.close();
      holder.replaceChildren();
    };
  };

  /** Before the first plan every note stands bare. */
  const notes = $derived(plan?.notes ?? score.notes.map(bareNote));
  const lay = marksKeeper();
  const marks = $derived(
    geometry && !isAwaited
      ? lay({
          score,
          geometry,
          notes,
          marks: placed,
          origin,
          everyString,
          written,
        })
      : undefined,
  );
  const laid = $derived(geometry && marks ? laySigns(geometry, marks, rightSigns) : NO_ROWS);
  /** Where the note that is played stands, when it is one of these. */
  const playedAt = $derived.by(() => {
    if (playhead === undefined || !geometry) return undefined;
    const last = score.bars[geometry.last]!;
    if (playhead < score.bars[geometry.first]!.start || playhead >= last.start + last.length)
      return undefined;
    return headsAt(score, geometry, playhead)[0]?.x;
  });
  const below = $derived(tablature ? TAB_HEIGHT : 0);
  /** Highest and lowest line of all that belongs to the system itself. */
  const top = $derived(
    geometry && marks ? (inLine ? Math.min(marks.top, geometry.staffTop - OVER_STAFF) : marks.top) : 0,
  );
  const bottom = $derived(
    geometry && marks
      ? Math.max(marks.bottom + laid.height, inLine ? geometry.staffBottom + UNDER_STAFF : 0)
      : 0,
  );

  // What stands under a system is drawn only while the system is near the window.
  let isSeen = $state(false);
  const watch = (element: HTMLElement) => {
    let leave: (() => void) | undefined;
    const observer = new IntersectionObserver(
      ([entry]) => {
        leave?.();
        leave = undefined;
        if (!entry!.isIntersecting) isSeen = false;
        // One system after the other: several at once would be felt as a halt while scrolling.
        else if (!isSeen)
          leave = queue.add({
            isNear: () => true,
            isAddition: true,
            draw: () => Promise.resolve(void (isSeen = true)),
            failed: () => undefined,
          });
      },
      { rootMargin: '300px', scrollMargin: '300px' },
    );
    observer.observe(element);
    return () => {
      observer.disconnect();
      leave?.();
    };
  };
</script>

<div
  class="system"
  data-first-bar={first + 1}
  style:height={failure ? 'auto' : marks ? `${bottom - top + below + underHeight}px` : '170px'}
  style:width={failure
    ? 'auto'
    : `${geometry?.width ?? (inLine ? widths.reduce((sum, each) => sum + each, 0) : 0)}px`}
  class:waiting={!geometry && !failure}
  class:in-line={inLine}
  {@attach watch}
>
  <div
    class="engraving"
    class:awaiting={!marks && !failure}
    style:top="{marks ? -top : 0}px"
    {@attach engrave}
  ></div>
  {#if failure}
    <p role="alert" class="rounded-box border border-error p-3 text-sm" data-failed={barsShown}>
      {barsShown} cannot be engraved ({failure}). The other bars are shown, the planner has fingered these
      too, and the exported file carries them. Correct these bars in your notation program and import the
      piece again.
    </p>
  {:else if geometry && marks}
    <Part name={barsShown}>
      <SystemLayer
        {score}
        {geometry}
        {marks}
        {caret}
        {changed}
        {nearTies}
        {ringing}
        signs={laid}
        {hiddenWords}
        {selected}
        {preview}
        {notes}
        {top}
        {onpick}
        hasPlan={plan !== undefined}
        {...letters && { letters }}
      />
      {#if tablature}
        <div class="tablature" style:top="{bottom - top}px">
          <TabStaff {geometry} {notes} />
        </div>
      {/if}
      {#if under && isSeen}
        <div class="under" style:top="{bottom - top + below}px">{@render under(geometry)}</div>
      {/if}
    </Part>
  {/if}
  <!-- Above all else: a picture that moves under others is costly. -->
  {#if playedAt !== undefined && geometry && marks}
    <div
      class="playhead"
      data-playhead={playhead}
      style:transform="translateX({playedAt - 4}px)"
      style:top="{geometry.staffTop - top - 14}px"
      style:height="{geometry.staffBottom - geometry.staffTop + 28}px"
    ></div>
  {/if}
</div>

<style>
  .system {
    position: relative;
    overflow: visible;
    break-inside: avoid;
    margin-bottom: 0.5rem;
    /* What is scrolled to stays clear of the bars above and below. */
    scroll-margin-block: 4.5rem;
    scroll-margin-inline: 3rem;
  }
  .in-line {
    flex: none;
    margin-bottom: 0;
  }
  .playhead {
    position: absolute;
    left: 0;
    /* It goes on with every note: a picture of its own, which is moved and never painted anew. */
    will-change: transform;
    width: 20px;
    border-radius: 5px;
    background: color-mix(in oklab, var(--color-primary) 16%, transparent);
    border-left: 2px solid var(--color-primary);
    pointer-events: none;
  }
  .tablature,
  .under {
    position: absolute;
    left: 0;
  }
  .engraving {
    position: absolute;
    left: 0;
    pointer-events: none;
  }
  /* Its height is not known yet. */
  .awaiting {
    visibility: hidden;
  }
</style>
