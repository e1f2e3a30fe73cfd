<script lang="ts">
  import {
    isSameFingering,
    romanNumeral,
    stringSign,
    type ChoicePreview,
    type NotePlan,
    type Score,
  } from '@oculon/core';
  import { headsAt, type SystemGeometry } from '../engraving/geometry.ts';

  interface Props {
    score: Score;
    geometry: SystemGeometry;
    preview: ChoicePreview;
    /** How the notes are taken now. */
    notes: readonly NotePlan[];
    /** Where the letters of the right hand stand now. */
    plucks: readonly { readonly note: number; readonly x: number; readonly y: number }[];
  }
  /** What would stand on the system if the choice that is pointed at were taken, beside what stands there now. */
  const { score, geometry, preview, notes, plucks }: Props = $props();

  const changed = $derived(new Map(preview.notes));
  const heads = $derived(
    geometry.heads.filter(({ note }) => {
      const after = changed.get(note);
      return after && !isSameFingering({ ...after, pluck: notes[note]?.pluck }, notes[note]!);
    }),
  );
  const letters = $derived(
    plucks.filter(({ note }) => changed.has(note) && changed.get(note)!.pluck !== notes[note]?.pluck),
  );
  const shifts = $derived(
    preview.appearing.flatMap(({ onset, to }) => {
      const [first] = headsAt(score, geometry, onset);
      return first ? [{ x: first.x, to, onset }] : [];
    }),
  );
</script>

<g class="preview" data-testid="preview">
  {#each heads as head (head.note)}
    {@const { finger, string } = changed.get(head.note)!}
    {#if finger !== undefined && string !== undefined}
      <text class="finger" data-preview-of={head.note} x={head.x + head.width + 4} y={head.y - 3}
        >{finger}<tspan class="string" dx="1">{stringSign(string)}</tspan></text
      >
    {/if}
  {/each}
  {#each letters as { note, x, y } (note)}
    <text class="pluck" x={x + 5} {y}>{changed.get(note)!.pluck ?? ''}</text>
  {/each}
  {#each shifts as { x, to, onset } (onset)}
    <text class="shift" {x} y={geometry.staffTop - 12}>→ {romanNumeral(to)}</text>
  {/each}
</g>

<style>
  text {
    fill: var(--color-primary);
    font: 700 13px var(--font-serif);
    paint-order: stroke;
    stroke: var(--color-base-100);
    stroke-width: 4px;
    stroke-linejoin: round;
    pointer-events: none;
  }
  .string {
    font: 13px var(--font-sans);
  }
  .pluck {
    font-style: italic;
  }
  .shift {
    font-size: 12px;
  }
</style>
