<script lang="ts">
  import { fretMeasures, type Guitar } from '@oculon/core';

  /** Something at a place on the neck: a fret that need not be whole, and a string, or all of them. */
  export interface NeckMark {
    readonly fret: number;
    readonly string?: number;
    readonly text?: string;
  }
  interface Props {
    neck: Pick<Guitar, 'scaleLength' | 'capo' | 'frets'>;
    label: string;
    /** Places pressed or touched. */
    marks?: readonly NeckMark[];
    /** Marks lie on the wire, as harmonics do, and not behind it. */
    onWire?: boolean;
  }
  const { neck, label, marks = [], onWire = false }: Props = $props();

  const WIDTH = 1000;
  const TOP = 18;
  const STRING_GAP = 17;
  const NUT = 34;
  const frets = $derived(fretMeasures(neck));
  const length = $derived(
    Math.max(...frets.map(({ offset }) => offset), ...marks.map(({ fret }) => at(fret))),
  );
  const scale = $derived((WIDTH - NUT - 24) / length);
  /** Mm from the nut (or capo) of a fret that need not be whole. */
  const at = (fret: number): number => neck.scaleLength * 2 ** (-neck.capo / 12) * (1 - 2 ** (-fret / 12));
  const x = (mm: number): number => NUT + mm * scale;
  const placeOf = ({ fret }: NeckMark): number =>
    fret === 0 ? NUT - 14 : onWire ? x(at(fret)) : x((at(fret - 1) + at(fret)) / 2);
  const y = (string: number): number => TOP + (string - 1) * STRING_GAP;
  const DOTS = [5, 7, 9, 12, 17];
</script>

<svg viewBox="0 0 {WIDTH} 138" class="mt-2 w-full" role="img" aria-label={label}>
  <line x1={NUT} y1={TOP} x2={NUT} y2={TOP + 5 * STRING_GAP} stroke="currentColor" stroke-width="5" />
  {#each frets as { fret, offset } (fret)}
    <line
      x1={x(offset)}
      y1={TOP}
      x2={x(offset)}
      y2={TOP + 5 * STRING_GAP}
      stroke="currentColor"
      stroke-width="1.5"
      opacity="0.6"
    />
    <text x={x(at(fret - 0.5))} y="122" font-size="12" text-anchor="middle" fill="currentColor" opacity="0.8"
      >{fret}</text
    >
    {#if DOTS.includes(fret)}<circle
        cx={x(at(fret - 0.5))}
        cy="130"
        r="2"
        fill="currentColor"
        opacity="0.6"
      />{/if}
  {/each}
  {#each [1, 2, 3, 4, 5, 6] as string (string)}
    <line
      x1={NUT}
      y1={y(string)}
      x2={WIDTH}
      y2={y(string)}
      stroke="currentColor"
      stroke-width={0.6 + string * 0.2}
      opacity="0.45"
    />
  {/each}
  {#each marks as mark, index (index)}
    {#if mark.string === undefined}
      <line
        x1={placeOf(mark)}
        y1={TOP - 6}
        x2={placeOf(mark)}
        y2={TOP + 5 * STRING_GAP + 6}
        stroke="var(--color-primary)"
        stroke-width="2"
      />
      {#if mark.text}<text x={placeOf(mark)} y="11" font-size="11" text-anchor="middle" fill="currentColor"
          >{mark.text}</text
        >{/if}
    {:else}
      <circle cx={placeOf(mark)} cy={y(mark.string)} r="8" fill="var(--color-primary)" />
      {#if mark.text}<text
          x={placeOf(mark)}
          y={y(mark.string) + 4}
          font-size="10"
          text-anchor="middle"
          fill="var(--color-primary-content)">{mark.text}</text
        >{/if}
    {/if}
  {/each}
</svg>
