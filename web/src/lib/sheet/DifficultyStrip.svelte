<script lang="ts">
  import { barLabel, COMFORTABLE_LEVEL, type BarDifficulty } from '@oculon/core';
  import type { OpenPiece } from '../workbench/open-piece.svelte.ts';
  import type { CurrentPlan } from '../planner/current-plan.svelte.ts';
  import type { Caret } from '../workbench/caret.svelte.ts';
  import { difficultyWords, likenessWords } from '../words.ts';

  /** The piece as a map: one column a bar, as high as the bar is hard; over it its phrases, under it what returns. */
  const {
    piece,
    planned,
    caret,
    onjump,
  }: { piece: OpenPiece; planned: CurrentPlan; caret: Caret; onjump: (note: number) => void } = $props();

  const bars = $derived(planned.plan?.difficulty ?? []);
  const here = $derived(caret.bars);
  const beginnings = $derived(new Set(planned.movements?.phrases.map(({ from }) => from)));
  const label = (bar: number): string => {
    const found = piece.score?.bars[bar];
    return found ? barLabel(found) : '';
  };
  /** By bar that is a return: as what. */
  const returns = $derived(
    new Map(
      (planned.movements?.returns ?? []).flatMap(({ from, to, like, likeness }) =>
        Array.from({ length: to - from + 1 }, (_, index): [number, string] => [
          from + index,
          `${likenessWords(likeness)} as bar ${label(like + index)}`,
        ]),
      ),
    ),
  );
  const words = (each: BarDifficulty): string =>
    [
      `Bar ${each.number}, ${difficultyWords(each)}`,
      beginnings.has(each.bar) ? 'a phrase begins' : '',
      returns.get(each.bar) ?? '',
    ]
      .filter(Boolean)
      .join('; ');
  const jumpTo = (bar: number) => {
    const note = piece.score?.notes.find((each) => each.bar === bar);
    if (note) onjump(note.index);
  };
  const atPointer = (event: MouseEvent): number | undefined => {
    const column = (event.target as Element).closest('[data-bar]');
    return column ? Number(column.getAttribute('data-bar')) : undefined;
  };
  const onclick = (event: MouseEvent) => {
    const bar = atPointer(event);
    if (bar !== undefined) jumpTo(bar);
  };
  const STRIDES: Readonly<Record<string, number>> = {
    ArrowRight: 1,
    ArrowUp: 1,
    ArrowLeft: -1,
    ArrowDown: -1,
    Home: -Infinity,
    End: Infinity,
  };
  const onkeydown = (event: KeyboardEvent & { currentTarget: HTMLElement }) => {
    const stride = STRIDES[event.key];
    if (stride === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    const strip = event.currentTarget;
    jumpTo(Math.max(0, Math.min(bars.length - 1, here.from + stride)));
    strip.focus();
  };
</script>

{#if bars.length > 0}
  <div
    class="strip"
    role="slider"
    tabindex="0"
    aria-label="Difficulty of the bars"
    aria-valuemin="1"
    aria-valuemax={bars.length}
    aria-valuenow={here.from + 1}
    aria-valuetext={bars[here.from] ? words(bars[here.from]!) : ''}
    {onclick}
    {onkeydown}
  >
    {#each bars as each (each.bar)}
      <div
        class="column"
        class:here={each.bar >= here.from && each.bar <= here.to}
        class:hard={each.level > COMFORTABLE_LEVEL}
        class:begins={beginnings.has(each.bar)}
        class:returns={returns.has(each.bar)}
        data-bar={each.bar}
        title={words(each)}
      >
        <span style:height="{6 + each.level * 9.4}%"></span>
      </div>
    {/each}
  </div>
{/if}

<style>
  .strip {
    display: flex;
    align-items: stretch;
    height: 2rem;
    min-width: 0;
    flex: 1;
    cursor: pointer;
  }
  .column {
    flex: 1 1 0;
    min-width: 2px;
    display: flex;
    align-items: flex-end;
    padding: 3px 1px 0;
    border-top: 2px solid color-mix(in oklab, var(--color-base-content) 30%, transparent);
    border-bottom: 3px solid transparent;
  }
  /* A phrase is one line over its bars; where the next begins there is a gap. */
  .begins {
    border-left: 4px solid transparent;
    background-clip: padding-box;
    border-top-left-radius: 6px;
  }
  .column span {
    width: 100%;
    background: color-mix(in oklab, var(--color-secondary) 45%, transparent);
    border-radius: 2px 2px 0 0;
  }
  .returns {
    border-bottom-style: dotted;
    border-bottom-color: var(--color-secondary);
  }
  /* Hard bars are hatched too, so that colour is not needed to tell. */
  .hard span {
    background: repeating-linear-gradient(
      135deg,
      var(--color-warning) 0 3px,
      color-mix(in oklab, var(--color-warning) 55%, transparent) 3px 6px
    );
  }
  .here {
    background-color: color-mix(in oklab, var(--color-warning) 25%, transparent);
    box-shadow: inset 0 0 0 1.5px var(--color-base-content);
  }
  .column:hover {
    background-color: var(--color-base-200);
  }
</style>
