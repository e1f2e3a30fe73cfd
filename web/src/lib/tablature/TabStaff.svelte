<script lang="ts">
  import type { NotePlan } from '@oculon/core';
  import type { SystemGeometry } from '../engraving/geometry.ts';
  import { TAB_HEIGHT, TAB_LINE } from './tab-staff.ts';

  /** The six lines of the strings under a system, with the frets of its notes. */
  const { geometry, notes }: { geometry: SystemGeometry; notes: readonly NotePlan[] } = $props();

  const y = (string: number): number => 8 + (string - 1) * TAB_LINE;
  const struck = $derived(
    geometry.heads.filter(({ note }) => notes[note]?.fret !== undefined && !notes[note]!.tied),
  );
</script>

<svg class="tab" width={geometry.width} height={TAB_HEIGHT} role="img" aria-label="Strings and frets">
  <path
    class="lines"
    d={[
      ...[1, 2, 3, 4, 5, 6].map((string) => `M0 ${y(string)}H${geometry.width}`),
      ...geometry.bars.map(({ x, width }) => `M${x + width} ${y(1)}V${y(6)}`),
    ].join('')}
  />
  {#each struck as { note, x, width } (note)}
    <text x={x + width / 2} y={y(notes[note]!.string!) + 3.8} data-fret-of={note}>{notes[note]!.fret}</text>
  {/each}
</svg>

<style>
  .tab {
    display: block;
  }
  .lines {
    stroke: currentColor;
    stroke-width: 0.6;
    fill: none;
  }
  text {
    font: 600 11px var(--font-sans);
    text-anchor: middle;
    fill: currentColor;
    paint-order: stroke;
    stroke: white;
    stroke-width: 4px;
  }
</style>
