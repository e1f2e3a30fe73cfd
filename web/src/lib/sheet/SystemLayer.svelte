<script lang="ts">
  import { pitchLabel, type Score } from '@oculon/core';
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
    onpick: (note: number) => void;
  }
  const { score, geometry, marks, caret, changed, nearTies, ringing, signs, hasPlan, onpick }: Props =
    $props();

  const caretHead = $derived(geometry.heads.find((head) => head.note === caret));
  const bounds = $derived.by(() => {
    const last = score.bars[geometry.last]!;
    return { start: score.bars[geometry.first]!.start, end: last.start + last.length };
  });
  const directions = $derived(
    score.directions
      .filter((each) => each.onset >= bounds.start && each.onset < bounds.end)
      .map((each) => {
        const heads = geometry.heads.filter((head) => score.notes[head.note]!.onset >= each.onset);
        const x = heads.length > 0 ? Math.min(...heads.map((head) => head.x)) : geometry.width - 40;
        return { ...each, x };
      }),
  );
  const tempo = (text: string) =>
    text
      .replace(/^quarter=/, '♩ = ')
      .replace(/^half=/, '𝅗𝅥 = ')
      .replace(/^eighth=/, '♪ = ');
  const slurs = $derived(
    geometry.heads.flatMap((head) => {
      const from = score.notes[head.note]!.slurredFrom;
      const start = from && geometry.heads.find((each) => each.note === from.note);
      if (!start) return [];
      const above = head.stem === 'down';
      const y = (box: typeof head) => (above ? box.y - 9 : box.y + 9);
      const bend = above ? -8 : 8;
      const [x1, x2] = [start.x + start.width / 2, head.x + head.width / 2];
      const middle = (x1 + x2) / 2;
      const control =
        Math.min(y(start), y(head)) * (above ? 1 : 0) + Math.max(y(start), y(head)) * (above ? 0 : 1) + bend;
      return [
        `M${x1} ${y(start)} Q${middle} ${control} ${x2} ${y(head)} Q${middle} ${control + (above ? 2.5 : -2.5)} ${x1} ${y(start)}Z`,
      ];
    }),
  );
</script>

<svg
  class="layer"
  width={geometry.width}
  height={marks.bottom + signs.height - marks.top}
  viewBox="0 {marks.top} {geometry.width} {marks.bottom + signs.height - marks.top}"
>
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
      <text class="bar-number" x={bar.x + 2} y={geometry.staffTop - 8}>{score.bars[bar.index]!.number}</text>
    {/if}
  {/each}
  {#each directions as direction (`${direction.kind}${direction.onset}${direction.text}`)}
    {#if direction.kind === 'dynamics'}
      <text class="dynamics" x={direction.x} y={marks.dynamicsY}>{direction.text}</text>
    {:else if direction.kind === 'tempo'}
      <text class="tempo" x={geometry.bars[0]!.x + 6} y={marks.wordsY}>{tempo(direction.text)}</text>
    {:else}
      <text class="words" x={direction.x + (direction.onset === 0 ? 26 : 0)} y={marks.wordsY}
        >{direction.text}</text
      >
    {/if}
  {/each}
  {#each slurs as path (path)}
    <path class="slur" d={path} />
  {/each}
  {#if hasPlan}
    {#each marks.barres as barre (`${barre.x}${barre.text}`)}
      <text class="barre" x={barre.x} y={barre.y}>{barre.text}</text>
      <path
        class="barre-line"
        d="M{barre.x + 8 + barre.text.length * 6.5} {barre.y - 4} H{barre.until}{barre.closes ? 'v6' : ''}"
      />
    {/each}
    {#each marks.positions as position (position.x)}
      <text class="position" x={position.x} y={position.y}>{position.text}</text>
    {/each}
    {#each marks.fingers as mark (mark.note)}
      <text
        class="finger {mark.origin}"
        class:changed={changed.has(`finger ${mark.note}`)}
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
        x={mark.x}
        y={mark.y}
        data-string-of={mark.note}>{mark.text}</text
      >
    {/each}
    {#each marks.plucks as mark (mark.note)}
      <text
        class="pluck {mark.origin}"
        class:changed={changed.has(`pluck ${mark.note}`)}
        x={mark.x}
        y={mark.y}
        data-pluck-of={mark.note}>{mark.text}</text
      >
    {/each}
  {/if}
  {#each signs.marks as mark (mark.key)}
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
    >
      <title>{pitchLabel(score.notes[head.note]!.sounding)}</title>
    </rect>
  {/each}
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
    fill: transparent;
    cursor: pointer;
    pointer-events: all;
  }
  .hit:hover {
    fill: color-mix(in oklab, var(--color-secondary) 14%, transparent);
  }
  .caret {
    fill: color-mix(in oklab, var(--color-warning) 28%, transparent);
    stroke: var(--color-warning);
    stroke-width: 1;
  }
  .bar-number {
    font-size: 10px;
    opacity: 0.65;
  }
  .words {
    font-style: italic;
    font-size: 14px;
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
  .barre,
  .position {
    font-size: 12px;
    fill: var(--color-secondary);
    font-weight: 600;
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
    opacity: 0.9;
  }
  .ringing {
    fill: none;
    stroke: var(--color-secondary);
    stroke-width: 1.2;
    stroke-dasharray: 2.5 1.5;
  }
  .barre-line {
    fill: none;
    stroke: var(--color-secondary);
    stroke-width: 1;
  }
</style>
