<script lang="ts">
  import type { SheetSign } from '../engraving/sign-rows.ts';
  import { markId } from '@oculon/core';
  import { onMount, tick, untrack } from 'svelte';
  import { SvelteSet } from 'svelte/reactivity';
  import type { SystemPlan } from '../engraving/breaks.ts';
  import { DrawingQueue } from '../engraving/drawing-queue.ts';
  import { layOut, layOutLine, roomNeeded } from '../engraving/lay-out.ts';
  import { handCourse } from '../workbench/lanes/hand-course.ts';
  import LaneStack from '../workbench/lanes/LaneStack.svelte';
  import { LANE_HEIGHTS } from '../workbench/lanes/lane.ts';
  import { pinch } from './pinch.ts';
  import type { Origins } from '../engraving/marks.ts';
  import { handleKey } from '../workbench/commands/key-table.ts';
  import { ZOOMS } from '../workbench/desk-view.svelte.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';
  import { lineToSee, turnPage } from './turn-page.ts';
  import { chordWords, shownSigns, shownSpans, wordsGone } from './shown-marks.ts';
  import System from './System.svelte';

  interface Props {
    workbench: Workbench;
    /** What is played now, as a tick on the page. */
    playhead: number | undefined;
    /** Called once the music in the window stands with its fingering, or without it when that is long in coming. */
    onshown: () => void;
  }
  const { workbench, playhead, onshown }: Props = $props();
  const { view, caret } = $derived(workbench);
  const display = $derived(view.display);

  let width = $state(0);
  const drawn = new SvelteSet<string>();
  let systems = $state.raw<readonly SystemPlan[]>([]);
  let holder: HTMLElement;

  const score = $derived(workbench.piece.score);
  /** Marks that the last change made different: `finger 12`. */
  const changed = $derived(
    new Set(
      workbench.planned.changes.flatMap(({ note, before, after }) =>
        (['finger', 'string', 'pluck'] as const)
          .filter((field) => before[field] !== after[field])
          .map((field) => `${field} ${note}`),
      ),
    ),
  );

  /** What stands on the page when not everything does; what was known of the plan before stays until this one's is. */
  const page = $derived(display.density === 'everything' ? undefined : workbench.planned.page);
  const positions = $derived(
    page?.positions.filter(
      (mark) => workbench.decisions.fingering.marks.get(markId(mark))?.kind !== 'removed',
    ),
  );
  const written = $derived(page && new Map(page.notes));

  const NO_SIGNS: readonly SheetSign[] = [];
  const chords = $derived(
    score && display.harmony && workbench.planned.movements
      ? chordWords(score, workbench.planned.movements.blocks, workbench.planned.plan?.positions ?? [])
      : [],
  );
  const spans = $derived([...shownSpans(workbench.marks.placed, display.movements, positions), ...chords]);
  const signs = $derived(
    score
      ? shownSigns(
          score,
          display.rightSigns ? (workbench.planned.plan?.rightSigns ?? []) : [],
          workbench.marks.placed,
          workbench.decisions.fingering.marks,
        )
      : NO_SIGNS,
  );
  const hiddenWords = $derived(
    score
      ? wordsGone(score, workbench.piece.sourceMarks, workbench.decisions.fingering.marks)
      : new Set<string>(),
  );
  const NOTHING_RINGS: ReadonlyMap<number, number> = new Map();
  const ringing = $derived(new Map(workbench.planned.plan?.ringing));

  const origin: Origins = $derived((note, field) => {
    const source = score?.notes[note];
    if (!source) return 'planned';
    const choice = workbench.decisions.fingering.choices.get(source.id)?.[field];
    if (choice !== undefined && choice !== null) return 'teacher';
    return choice === undefined && source.fingering[field] !== undefined ? 'source' : 'planned';
  });

  // The marks of the page are worked out for each plan as long as they are shown.
  $effect(() => {
    if (display.density !== 'everything' && !workbench.planned.planning && workbench.planned.plan)
      void workbench.planned.findPage(display.density);
  });

  const plan = $derived(workbench.planned.plan);
  // Followed only when a lane of the hand asks for it, and once for all of them.
  const course = $derived(handCourse(plan ?? { positions: [] }));
  /** How long the music waits for its first plan, in ms: most are here by then. */
  const PATIENCE = 400;
  let isPatient = $state(true);
  onMount(() => {
    const waiting = setTimeout(() => (isPatient = false), PATIENCE);
    return () => clearTimeout(waiting);
  });
  $effect(() => {
    if (isCaughtUp && (plan || !isPatient)) untrack(onshown);
  });
  const underHeight = $derived(
    plan ? view.lanes.reduce((sum, lane) => sum + LANE_HEIGHTS[lane], view.lanes.length > 0 ? 8 : 0) : 0,
  );

  const keyOf = ({ first, widths, continues }: SystemPlan): string =>
    `${first}:${widths.join()}${continues ? '…' : ''}`;
  let isCaughtUp = $state(false);
  const queue = new DrawingQueue(() => (isCaughtUp = systems.length > 0));

  let room = $state<number>();
  $effect(() => {
    if (score) void roomNeeded(score).then((found) => (room = found));
  });
  $effect(() => {
    const fits = view.layout === 'line' || !room ? ZOOMS.at(-1)! : Math.floor((width / room) * 100) / 100;
    view.largest = Math.max(ZOOMS[0], Math.min(ZOOMS.at(-1)!, fits));
  });

  // Breaks follow the width; the systems themselves are drawn by the queue, one task at a time.
  $effect(() => {
    const page = Math.floor(width / view.shownZoom);
    const piece = score;
    const { layout } = view;
    if (!piece || width < 100) return;
    let stopped = false;
    untrack(async () => {
      const laid = layout === 'line' ? await layOutLine(piece) : await layOut(piece, Math.max(200, page));
      if (!stopped) systems = laid;
    });
    return () => {
      stopped = true;
    };
  });

  $effect(() => {
    const { index } = caret;
    void tick().then(() => {
      const bar = score?.notes[index]?.bar ?? 0;
      const system = systems.findLast((each) => each.first <= bar);
      const shown =
        holder?.querySelector(`[data-note="${index}"]`) ??
        holder?.querySelector(`[data-first-bar="${(system?.first ?? 0) + 1}"]`);
      shown?.scrollIntoView({ block: 'nearest', inline: 'nearest', behavior: scrolling() });
    });
  });

  /** Turned to only when it is another one: every note would cost a layout. */
  const seen = $derived(playhead !== undefined && score ? lineToSee(score, systems, playhead) : undefined);
  $effect(() => {
    if (seen === undefined) return;
    const toSee = holder?.querySelector(`[data-first-bar="${seen + 1}"]`);
    if (view.layout === 'line')
      toSee?.scrollIntoView({ block: 'nearest', inline: 'start', behavior: 'instant' });
    else turnPage(toSee, holder?.querySelector('[data-playhead]')?.closest('.system'));
  });

  /** Who wants little movement gets none. */
  const scrolling = (): ScrollBehavior =>
    matchMedia('(prefers-reduced-motion: reduce)').matches ? 'auto' : 'smooth';

  // Keys work wherever the pointer was last used, but never while someone types or answers a question.
  const onkeydown = (event: KeyboardEvent) => {
    const target = event.target as Element;
    if (
      target.closest('input, select, textarea, dialog, [role=dialog]') ||
      document.querySelector('dialog[open], [role=dialog]')
    )
      return;
    // Enter presses what the keyboard stands on.
    if (event.key === 'Enter' && target.closest('button, a, summary')) return;
    if (handleKey(workbench, event)) event.preventDefault();
  };

  const struck = (note: number): number => score?.notes[note]?.tiedFrom ?? note;
  const pick = (note: number) => {
    if (hasDragged) return;
    caret.index = struck(note);
    holder.focus({ preventScroll: true });
  };

  /** Where a selection is dragged from; undefined while nothing is. */
  let dragFrom: number | undefined;
  let hasDragged = false;
  const noteUnder = (event: PointerEvent): number | undefined => {
    const found = document.elementFromPoint(event.clientX, event.clientY)?.closest('[data-note]');
    return found ? struck(Number(found.getAttribute('data-note'))) : undefined;
  };
  const onpointerdown = (event: PointerEvent) => {
    hasDragged = false;
    dragFrom = event.isPrimary ? noteUnder(event) : undefined;
  };
  const onpointermove = (event: PointerEvent) => {
    if (dragFrom === undefined || event.buttons !== 1 || !event.isPrimary) return;
    const to = noteUnder(event);
    if (to === undefined || (!hasDragged && to === dragFrom)) return;
    if (!hasDragged) caret.index = dragFrom;
    hasDragged = true;
    caret.extendTo(to);
  };
  const onpointerup = () => {
    dragFrom = undefined;
  };

  // The observer tells the width when the page has been laid out anyway; asking for it would lay it out at once.
  const measure = (element: HTMLElement) => {
    const observer = new ResizeObserver(([entry]) => (width = entry!.contentRect.width));
    observer.observe(element);
    return () => observer.disconnect();
  };

  export const focus = () => holder?.focus({ preventScroll: true });
</script>

<svelte:window {onkeydown} onbeforeprint={() => queue.hurry()} />

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  class="sheet"
  role="application"
  data-caret={caret.index}
  aria-label="Sheet of music. Arrow keys walk from note to note."
  class:in-line={view.layout === 'line'}
  data-complete={systems.length > 0 && systems.every((system) => drawn.has(keyOf(system)))}
  tabindex="0"
  bind:this={holder}
  {@attach measure}
  {@attach pinch({ zoom: () => view.shownZoom, onzoom: (zoom) => view.zoomTo(zoom) })}
  {onpointerdown}
  {onpointermove}
  {onpointerup}
>
  {#if score}
    <div class="music" style:zoom={view.shownZoom}>
      {#each systems as system (keyOf(system))}
        <System
          {score}
          first={system.first}
          widths={system.widths}
          {plan}
          isAwaited={isPatient && !plan}
          {origin}
          caret={caret.index}
          selected={caret.selected}
          preview={workbench.choices.shown ?? workbench.past.shown ?? workbench.against.shown}
          continues={system.continues ?? false}
          inLine={view.layout === 'line'}
          {underHeight}
          {changed}
          nearTies={workbench.planned.nearTies}
          everyString={display.everyString}
          {written}
          rightSigns={signs}
          marks={spans}
          {hiddenWords}
          ringing={display.ringing ? ringing : NOTHING_RINGS}
          {playhead}
          {queue}
          ondrawn={() => drawn.add(keyOf(system))}
          onpick={pick}
        >
          {#snippet under(geometry)}
            {#if plan && view.lanes.length > 0}
              <LaneStack
                {score}
                {geometry}
                {plan}
                {course}
                lanes={view.lanes}
                here={caret.note?.onset}
                isNamed={!system.continues}
                onpick={pick}
              />
            {/if}
          {/snippet}
        </System>
      {/each}
    </div>
  {/if}
</div>

<style>
  .sheet {
    outline: none;
    min-height: 20rem;
    padding-inline: 4px;
    /* Two fingers zoom the music, not the page. */
    touch-action: pan-x pan-y;
  }
  .in-line .music {
    display: flex;
    width: max-content;
  }
  .sheet:focus-visible {
    box-shadow: inset 0 0 0 2px color-mix(in oklab, var(--color-secondary) 40%, transparent);
    border-radius: var(--radius-box);
  }
</style>
