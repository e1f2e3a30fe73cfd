<script lang="ts">
  import { pitchLabel, type ChoicePreview, type NotePlan, type Score } from '@oculon/core';
  import Endings from './Endings.svelte';
  import PreviewLayer from './PreviewLayer.svelte';
  import { layDirections } from '../engraving/directions.ts';
  import type { SystemGeometry } from '../engraving/geometry.ts';
  import type { SystemMarks } from '../engraving/marks.ts';
  import type { SignRows } from '../engraving/sign-rows.ts';

  interface Props {
    score: Score;
    geometry: SystemGeometry;
    marks: SystemMarks;
    caret: number;
    changed: ReadonlySet<string>;
    nearTies: ReadonlySet<number>;
    /** Until when noteheads ring past their end, in ticks. */
    ringing: ReadonlyMap<number, number>;
    signs: SignRows;
    hasPlan: boolean;
    /** Words of the source that a teacher has changed or taken away: `onset text`. */
    hiddenWords: ReadonlySet<string>;
    /** Letters of bars that are framed: the hard ones. */
    letters?: ReadonlyMap<number, string>;
    selected: { readonly from: number; readonly to: number } | undefined;
    preview: ChoicePreview | undefined;
    /** How the notes are taken now. */
    notes: readonly NotePlan[];
    /** Upper edge of the layer. */
    top: number;
    onpick: (note: number) => void;
  }
  const {
    score,
    geometry,
    marks,
    caret,
    changed,
    nearTies,
    ringing,
    signs,
    hasPlan,
    hiddenWords,
    letters,
    selected,
    preview,
    notes,
    top,
    onpick,
  }: Props = $props();

  const caretHead = $derived(geometry.heads.find((head) => head.note === caret));
  /** Marks that the choice which is pointed at would change: `finger 12`. */
  const going = $derived(
    new Set(
      preview?.notes.flatMap(([note, after]) =>
        (['finger', 'string', 'pluck'] as const)
          .filter((field) => after[field] !== notes[note]?.[field])
          .map((field) => `${field} ${note}`),
      ),
    ),
  );
  /** The note under the pointer. */
  let pointed = $state<number>();
  const selection = $derived.by(() => {
    if (!selected) return undefined;
    const inside = geometry.heads.filter(({ note }) => {
      const { onset } = score.notes[note]!;
      return onset >= selected.from && onset <= selected.to;
    });
    if (inside.length === 0) return undefined;
    const x = Math.min(...inside.map(({ left }) => left)) - 14;
    return { x, width: Math.max(...inside.map((head) => head.x + head.width)) + 5 - x };
  });
  const directions = $derived(
    layDirections(score, geometry, ({ onset, text }) => hiddenWords.has(`${onset} ${text}`)),
  );
  const tempo = (text: string) =>
    text
      .replace(/^quarter=/, '♩ = ')
      .replace(/^half=/, '𝅗𝅥 = ')
      .replace(/^eighth=/, '♪ = ');
</script>

<svg
  class="layer"
  role="presentation"
  onpointerover={({ target }) => {
    const note = (target as Element).getAttribute('data-note');
    pointed = note === null ? undefined : Number(note);
  }}
  onpointerleave={() => (pointed = undefined)}
  width={geometry.width}
  height={marks.bottom + signs.height - top}
  viewBox="0 {top} {geometry.width} {marks.bottom + signs.height - top}"
>
  {#if selection}
    <rect
      class="selection"
      data-selection
      x={selection.x}
      y={geometry.staffTop - 18}
      width={selection.width}
      height={geometry.staffBottom - geometry.staffTop + 48}
      rx="4"
    />
  {/if}
  {#if caretHead}
    <rect
      class="caret"
      x={caretHead.left - 16}
      y={caretHead.y - 10}
      width={caretHead.x + caretHead.width - caretHead.left + 20}
      height="20"
      rx="5"
    />
  {/if}
  {#each geometry.bars as bar, index (bar.index)}
    {#if index === 0 && bar.index > 0}
      <text class="bar-number" x={bar.x + 2} y={geometry.staffTop - 19.5}
        >{score.bars[bar.index]!.number}</text
      >
    {/if}
  {/each}
  {#each geometry.bars.filter(({ index }) => letters?.has(index)) as bar (bar.index)}
    <rect
      class="frame"
      data-framed={bar.index}
      x={bar.x + 1}
      y={geometry.staffTop - 7}
      width={bar.width - 2}
      height={geometry.staffBottom - geometry.staffTop + 14}
      rx="4"
    />
    <text class="frame-letter" x={bar.x + bar.width - 5} y={geometry.staffTop - 11}
      >{letters?.get(bar.index)}</text
    >
  {/each}
  {#each directions as direction, index (index)}
    {#if direction.kind === 'dynamics'}
      <text class="dynamics" x={direction.x} y={marks.dynamicsY}>{direction.text}</text>
    {:else if direction.kind === 'tempo'}
      <text class="tempo" x={direction.x} y={marks.wordsY}>{tempo(direction.text)}</text>
    {:else if direction.kind === 'sign'}
      <text class="jump" x={direction.x} y={marks.wordsY}>{direction.text}</text>
    {:else}
      <text class="words" text-anchor={direction.atEnd ? 'end' : 'start'} x={direction.x} y={marks.wordsY}
        >{direction.text}</text
      >
    {/if}
  {/each}
  <Endings endings={marks.endings} />
  {#each marks.slides as { from, to }, index (index)}
    <path class="slide" d="M{from[0]} {from[1]} L{to[0]} {to[1]}" />
  {/each}
  {#each marks.slurs as slur, index (index)}
    <path class="slur {slur.by}" d={slur.path} data-mark={slur.id} />
  {/each}
  {#if hasPlan}
    {#each marks.spans as span, index (index)}
      <text class="span {span.by}" class:words={span.isItalic} x={span.x} y={span.y} data-mark={span.id}
        >{span.text}<title>{span.title}</title></text
      >
      {#if span.until > span.x}
        <path
          class="span-line {span.by}"
          d="M{span.lineFrom} {span.y - 4} H{span.until}{span.closes ? 'v6' : ''}"
        />
      {/if}
    {/each}
    {#each marks.guides as guide, index (index)}
      <path
        class="guide {guide.by}"
        class:heard={guide.heard}
        data-mark={guide.id}
        d="M{guide.from[0]} {guide.from[1]} L{guide.to[0]} {guide.to[1]}"
      />
    {/each}
    {#each marks.fingers as mark (mark.note)}
      <text
        class="finger {mark.origin}"
        class:changed={changed.has(`finger ${mark.note}`)}
        class:going={going.has(`finger ${mark.note}`)}
        class:near-tie={mark.origin === 'planned' && nearTies.has(mark.note)}
        x={mark.x}
        y={mark.y}
        data-finger-of={mark.note}>{mark.text}</text
      >
    {/each}
    {#each marks.strings as mark (mark.note)}
      <text
        class="string {mark.origin}"
        class:changed={changed.has(`string ${mark.note}`)}
        class:going={going.has(`string ${mark.note}`)}
        x={mark.x}
        y={mark.y}
        data-string-of={mark.note}>{mark.text}</text
      >
    {/each}
    {#each marks.plucks as mark (mark.note)}
      <text
        class="pluck {mark.origin}"
        class:changed={changed.has(`pluck ${mark.note}`)}
        class:going={going.has(`pluck ${mark.note}`)}
        x={mark.x}
        y={mark.y}
        data-pluck-of={mark.note}>{mark.text}</text
      >
    {/each}
  {/if}
  {#each signs.marks as mark, index (index)}
    <text class="sign" class:advice={mark.isAdvice} x={mark.x} y={mark.y}
      >{mark.text}<title>{mark.words}</title></text
    >
  {/each}
  {#each geometry.heads.filter((head) => ringing.has(head.note)) as head (head.note)}
    {@const down = head.stem === 'up'}
    <path
      class="ringing"
      data-ringing={head.note}
      d="M{head.x + head.width + 1} {head.y + (down ? 3 : -3)} q7 {down ? 6 : -6} 14 0"
    />
  {/each}
  {#if preview}<PreviewLayer {score} {geometry} {preview} {notes} plucks={marks.plucks} />{/if}
  {#each geometry.heads as head (head.note)}
    <!-- The keyboard walks the notes through the sheet itself; the areas are for the pointer. -->
    <rect
      class="hit"
      role="presentation"
      data-note={head.note}
      x={head.left - 12}
      y={head.y - 6}
      width={head.x + head.width - head.left + 14}
      height="12"
      onclick={() => onpick(head.note)}
    />
  {/each}
  <!-- One for all heads: a title of its own for each costs as much as the head. -->
  {#if pointed !== undefined}<title>{pitchLabel(score.notes[pointed]!.sounding)}</title>{/if}
</svg>

<style>
  .layer {
    position: absolute;
    inset: 0;
    overflow: visible;
  }
  text {
    font-family: var(--font-serif);
    fill: currentColor;
  }
  .hit {
    fill: none;
    cursor: pointer;
    pointer-events: all;
    touch-action: pan-y;
  }
  .hit:hover {
    fill: color-mix(in oklab, var(--color-secondary) 14%, transparent);
  }
  .selection {
    fill: color-mix(in oklab, var(--color-warning) 16%, transparent);
  }
  /* What a choice that is pointed at would change steps back. */
  .going {
    opacity: 0.35;
    text-decoration: line-through;
  }
  .caret {
    fill: color-mix(in oklab, var(--color-warning) 28%, transparent);
    stroke: var(--color-warning);
    stroke-width: 1;
  }
  .frame {
    fill: none;
    stroke: currentColor;
    stroke-width: 0.9;
    stroke-dasharray: 4 3;
  }
  .frame-letter {
    font: 700 11px var(--font-sans);
    text-anchor: end;
  }
  .bar-number {
    font-size: 10px;
    fill-opacity: 0.65;
  }
  .words {
    font-style: italic;
    font-size: 14px;
  }
  .slide {
    stroke: currentColor;
    stroke-width: 1.3;
  }
  .jump {
    font-family: 'Oculon Music', Bravura;
    font-size: 26px;
  }
  .tempo {
    font-size: 13px;
    font-weight: 600;
  }
  .dynamics {
    font-style: italic;
    font-weight: 700;
    font-size: 15px;
  }
  .slur {
    fill: currentColor;
    stroke: currentColor;
    stroke-width: 0.6;
  }
  .finger,
  .pluck,
  .string {
    pointer-events: none;
  }
  .finger {
    font-size: 12px;
    font-weight: 600;
    text-anchor: end;
    /* Clear ground of its own: no staff or ledger line runs through a digit. */
    paint-order: stroke;
    stroke: var(--color-base-100);
    stroke-width: 4px;
    stroke-linejoin: round;
  }
  .string {
    font-family: var(--font-sans);
    font-size: 15px;
    text-anchor: middle;
  }
  .pluck {
    font-style: italic;
    font-size: 13px;
    text-anchor: middle;
  }
  .planned {
    fill: var(--color-secondary);
  }
  /* What a person fixed is heavier and underlined as well, so that colour is not needed to tell. */
  .teacher {
    fill: var(--color-primary);
    font-weight: 800;
    text-decoration: underline;
  }
  /* Another way would do as well. */
  .near-tie {
    text-decoration: underline dotted;
  }
  .source {
    fill: currentColor;
    font-weight: 800;
  }
  /* A halo that stays until the next change. It does not move: an animation would repaint the sheet for seconds. */
  .changed {
    paint-order: stroke;
    stroke: color-mix(in oklab, var(--color-warning) 55%, transparent);
    stroke-width: 5;
    stroke-linejoin: round;
  }
  .span {
    font-size: 12px;
    font-weight: 600;
    pointer-events: all;
  }
  .span.words {
    font-weight: 400;
    font-size: 13px;
  }
  .span-line,
  .guide {
    fill: none;
    stroke: currentColor;
    stroke-width: 1;
  }
  .span-line.planned,
  .guide.planned {
    stroke: var(--color-secondary);
    fill: none;
  }
  .span-line.teacher,
  .guide.teacher {
    stroke: var(--color-primary);
    stroke-width: 1.6;
    fill: none;
  }
  .guide:not(.heard) {
    stroke-dasharray: 4 2;
  }
  /* Only suggested: nobody slurs there yet. */
  .slur.planned {
    fill: none;
    stroke: var(--color-secondary);
    stroke-dasharray: 2 2;
  }
  .slur.teacher {
    fill: var(--color-primary);
    stroke: var(--color-primary);
  }
  .sign {
    font-size: 11.5px;
    font-style: italic;
    text-anchor: middle;
    fill: currentColor;
    pointer-events: all;
  }
  /* Nobody asked for it: lighter, and in brackets of its own by the tooltip. */
  .advice {
    fill: var(--color-secondary);
    fill-opacity: 0.9;
  }
  .ringing {
    fill: none;
    stroke: var(--color-secondary);
    stroke-width: 1.2;
    stroke-dasharray: 2.5 1.5;
  }
</style>
