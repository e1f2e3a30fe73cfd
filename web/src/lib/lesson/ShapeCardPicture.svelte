<script lang="ts">
  import { romanNumeral, stringSign, type ShapeCard } from '@oculon/core';

  const { card, label }: { card: ShapeCard; label: string } = $props();

  /** Frets that a picture shows at least. */
  const LEAST_FRETS = 4;
  const STRING = 13;
  const FRET = 17;
  const LEFT = 16;
  const TOP = 20;

  const stopped = $derived(card.shape.filter(({ finger }) => finger > 0));
  const lowest = $derived(stopped.length > 0 ? Math.min(...stopped.map(({ fret }) => fret)) : 1);
  const highest = $derived(stopped.length > 0 ? Math.max(...stopped.map(({ fret }) => fret)) : 1);
  // A shape at the nut is shown at the nut.
  const base = $derived(highest <= LEAST_FRETS ? 1 : lowest);
  const frets = $derived(Math.max(LEAST_FRETS, highest - base + 1));
  const x = (string: number): number => LEFT + (6 - string) * STRING;
  const y = (fret: number): number => TOP + (fret - base + 0.5) * FRET;
  const height = $derived(TOP + frets * FRET + 6);
  const barres = $derived(
    [1, 2, 3, 4].flatMap((finger) => {
      const own = stopped.filter((each) => each.finger === finger);
      return own.length > 1
        ? [{ finger, fret: own[0]!.fret, from: own[0]!.string, to: own.at(-1)!.string }]
        : [];
    }),
  );
  const silent = $derived(
    [6, 5, 4, 3, 2, 1].filter((string) => !card.shape.some((each) => each.string === string)),
  );
  const order = $derived(
    card.plucked
      .slice(0, 8)
      .map((strings) => strings.map(stringSign).join(''))
      .join(' '),
  );
  const goesOn = $derived(
    [
      ...card.stays.map((finger) => `${finger}=`),
      ...card.moves.map(({ finger, to }) => `${finger}→${to}`),
    ].join('  '),
  );
</script>

<figure class="card">
  <figcaption>{label} <b>{card.chord ?? ''}</b></figcaption>
  <svg viewBox="0 0 98 {height}" role="img" aria-label="{label} {card.chord ?? ''}">
    {#if base > 1}<text class="position" x="2" y={y(base) + 4}>{romanNumeral(base)}</text>{/if}
    <path
      class="neck"
      d={[
        ...[1, 2, 3, 4, 5, 6].map((string) => `M${x(string)} ${TOP}v${frets * FRET}`),
        ...Array.from({ length: frets + 1 }, (_, fret) => `M${x(6)} ${TOP + fret * FRET}H${x(1)}`),
      ].join('')}
    />
    {#if base === 1}<path class="nut" d="M{x(6)} {TOP}H{x(1)}" />{/if}
    {#each card.shape.filter(({ finger }) => finger === 0) as { string } (string)}
      <circle class="open" cx={x(string)} cy={TOP - 8} r="3.5" />
    {/each}
    {#each silent as string (string)}
      <path class="silent" d="M{x(string) - 3} {TOP - 11}l6 6m0 -6l-6 6" />
    {/each}
    {#each barres as { finger, fret, from, to } (finger)}
      <rect class="barre" x={x(from) - 5} y={y(fret) - 5} width={x(to) - x(from) + 10} height="10" rx="5" />
    {/each}
    {#each stopped as { string, fret, finger } (string)}
      <circle class="dot" class:stays={card.stays.includes(finger)} cx={x(string)} cy={y(fret)} r="6" />
      <text class="digit" x={x(string)} y={y(fret) + 3.5}>{finger}</text>
    {/each}
  </svg>
  <p>{order}</p>
  {#if goesOn}<p class="goes-on">{goesOn}</p>{/if}
</figure>

<style>
  .card {
    width: 100%;
    font-size: 9px;
    line-height: 1.25;
    text-align: center;
  }
  svg {
    width: 100%;
    max-width: 98px;
    margin-inline: auto;
    display: block;
  }
  .neck,
  .nut,
  .silent,
  .open {
    stroke: currentColor;
    fill: none;
    stroke-width: 0.8;
  }
  .nut {
    stroke-width: 2.4;
  }
  .dot,
  .barre {
    fill: currentColor;
  }
  .dot.stays {
    stroke: currentColor;
    stroke-width: 1.2;
    stroke-dasharray: 2 1.5;
    r: 6.8;
  }
  .digit {
    fill: white;
    font-size: 9px;
    font-weight: 700;
    text-anchor: middle;
  }
  .position {
    font-size: 9px;
    fill: currentColor;
  }
  .goes-on {
    font-weight: 600;
  }
</style>
