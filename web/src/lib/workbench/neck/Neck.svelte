<script lang="ts">
  import { romanNumeral, stringSign, type PricedPlacement } from '@oculon/core';
  import type { PlanView } from '../../planner/api.ts';
  import { priceText } from '../at-caret/price-text.ts';
  import type { Choices } from '../choices.svelte.ts';
  import { handOnNeck } from './hand-on-neck.ts';

  interface Props {
    plan: PlanView;
    /** Tick at the caret. */
    onset: number;
    choices: Choices;
    capo: number;
    leftHanded: boolean;
    ontake: (way: PricedPlacement) => void;
  }
  const { plan, onset, choices, capo, leftHanded, ontake }: Props = $props();

  const LEFT = 44;
  const RIGHT = 16;
  const WIDTH = 288;
  const TOP = 26;
  const HEIGHT = 206;
  const DOT = 10.5;

  /** The cheapest way at each place that can be reached: what a click there takes. */
  const places = $derived.by(() => {
    const cheapest = new Map<string, PricedPlacement>();
    for (const way of choices.ways)
      if (!cheapest.has(`${way.string}/${way.fret}`)) cheapest.set(`${way.string}/${way.fret}`, way);
    return [...cheapest.values()];
  });
  const picture = $derived(
    handOnNeck(
      plan.positions,
      plan.barres,
      onset,
      places.filter(({ fret }) => fret > 0).map(({ fret }) => fret),
    ),
  );
  const fretHeight = $derived((HEIGHT - TOP - 8) / (picture?.frets ?? 5));
  const gap = (WIDTH - LEFT - RIGHT - 24) / 5;
  const x = (string: number): number => LEFT + (leftHanded ? string - 1 : 6 - string) * gap;
  const y = (fret: number): number => TOP + (fret - (picture?.base ?? 1) + 0.5) * fretHeight;
  const placeY = (fret: number): number => (fret === 0 ? TOP - 12 : y(fret));
  const STRINGS = [1, 2, 3, 4, 5, 6] as const;

  const words = (way: PricedPlacement): string =>
    `${stringSign(way.string)} ${way.fret === 0 ? 'open' : `fret ${way.fret}, finger ${way.finger}`}, ${priceText(way.price)}`;
  const told = $derived(
    picture
      ? `The hand in position ${romanNumeral(Math.max(1, picture.position))}: ${
          picture.now
            .map(({ finger, string, fret }) => `${finger} on ${stringSign(string)} fret ${fret}`)
            .join(', ') || 'no finger down'
        }${picture.next.length > 0 ? `; next ${picture.next.map(({ finger, string, fret }) => `${finger} to ${stringSign(string)} fret ${fret}`).join(', ')}` : ''}`
      : 'No hand lies yet',
  );
</script>

<section class="neck" aria-label="The neck" data-testid="neck">
  {#if picture}
    {@const { base, frets, now, next, barre, open, silent, beyond } = picture}
    <svg viewBox="0 0 {WIDTH} {HEIGHT}" role="img" aria-label={told}>
      {#each Array.from({ length: frets }, (_, index) => base + index) as fret (fret)}
        <text class="fret" class:home={fret === picture.position} x="6" y={y(fret) + 4}
          >{romanNumeral(fret)}</text
        >
      {/each}
      <path
        class="wire"
        d={Array.from(
          { length: frets + 1 },
          (_, index) => `M${LEFT} ${TOP + index * fretHeight}H${LEFT + gap * 5}`,
        ).join('')}
      />
      {#if base === 1}<path class="nut" d="M{LEFT} {TOP}H{LEFT + gap * 5}" />{/if}
      {#each STRINGS as string (string)}
        <path
          class="gut"
          style:stroke-width={0.8 + string * 0.28}
          d="M{x(string)} {TOP}v{frets * fretHeight}"
        />
      {/each}
      {#each open as string (string)}<circle class="open" cx={x(string)} cy={TOP - 12} r="5" />{/each}
      {#each silent as string (string)}
        <path class="silent" d="M{x(string) - 3} {TOP - 15}l6 6m0 -6l-6 6" />
      {/each}
      {#if barre}
        {@const [one, other] = [x(barre.from), x(barre.to)]}
        <rect
          class="barre"
          x={Math.min(one, other) - DOT}
          y={y(barre.fret) - DOT}
          width={Math.abs(one - other) + 2 * DOT}
          height={2 * DOT}
          rx={DOT}
        />
      {/if}
      {#each next as ghost (`${ghost.finger}/${ghost.string}`)}
        {#if ghost.leadsFrom !== undefined}
          <path class="lead" d="M{x(ghost.string)} {y(ghost.leadsFrom)}V{y(ghost.fret)}" />
        {/if}
        <circle class="ghost" cx={x(ghost.string)} cy={y(ghost.fret)} r={DOT} />
        <text class="digit next" x={x(ghost.string)} y={y(ghost.fret) + 4}>{ghost.finger}</text>
      {/each}
      {#each now as dot (`${dot.finger}/${dot.string}`)}
        <circle class="dot" class:resting={!dot.sounding} cx={x(dot.string)} cy={y(dot.fret)} r={DOT} />
        <text class="digit" class:resting={!dot.sounding} x={x(dot.string)} y={y(dot.fret) + 4}
          >{dot.finger}</text
        >
      {/each}
      {#if beyond}
        <text class="key" x={WIDTH - 4} y={HEIGHT - 4}>then {romanNumeral(beyond)}</text>
      {/if}
      <text class="key" x={WIDTH - 4} y="12">{capo > 0 ? `capo ${capo}` : ''}</text>
    </svg>
    {#each places as way (`${way.string}/${way.fret}`)}
      {@const choice = { hand: 'left', way } as const}
      <button
        class="place"
        class:taken={choices.isTaken(choice)}
        class:pointed={choices.isPointed(choice)}
        tabindex="-1"
        aria-label="Take it at {words(way)}"
        title={words(way)}
        style:left="{(x(way.string) / WIDTH) * 100}%"
        style:top="{(placeY(way.fret) / HEIGHT) * 100}%"
        onpointerenter={() => choices.point(choice)}
        onpointerleave={() => choices.point(undefined)}
        onclick={() => ontake(way)}><span>{choices.isTaken(choice) ? '' : priceText(way.price)}</span></button
      >
    {/each}
  {:else}
    <p class="p-4 text-sm opacity-70">No hand lies yet.</p>
  {/if}
</section>

<style>
  .neck {
    position: relative;
    width: 100%;
    max-width: 22rem;
    margin-inline: auto;
  }
  svg {
    display: block;
    width: 100%;
  }
  .wire {
    stroke: var(--color-base-300);
    stroke-width: 1.6;
  }
  .nut {
    stroke: currentColor;
    stroke-width: 4;
  }
  .gut {
    stroke: color-mix(in oklab, currentColor 65%, transparent);
  }
  .fret,
  .key {
    font: 11px var(--font-sans);
    fill: currentColor;
    fill-opacity: 0.75;
  }
  .fret.home {
    font-weight: 700;
    fill-opacity: 1;
  }
  .key {
    text-anchor: end;
  }
  .dot,
  .barre {
    fill: var(--color-secondary);
  }
  .barre {
    fill-opacity: 0.55;
  }
  .dot.resting {
    fill: color-mix(in oklab, var(--color-secondary) 40%, var(--color-base-100));
  }
  .ghost {
    fill: var(--color-base-100);
    stroke: var(--color-primary);
    stroke-width: 1.4;
    stroke-dasharray: 3 2;
  }
  .lead {
    stroke: var(--color-primary);
    stroke-width: 1.4;
    stroke-dasharray: 3 2;
  }
  .digit {
    font: 700 12px var(--font-sans);
    text-anchor: middle;
    fill: var(--color-secondary-content);
  }
  .digit.next {
    fill: var(--color-primary);
  }
  .open,
  .silent {
    fill: none;
    stroke: currentColor;
  }
  .silent {
    stroke-opacity: 0.55;
  }
  /* A place at which the note can be taken lights up; what is taken already shows its finger. */
  .place {
    position: absolute;
    width: 28px;
    height: 28px;
    margin: -14px 0 0 -14px;
    border-radius: 50%;
    border: 2px solid var(--color-warning);
    background: color-mix(in oklab, var(--color-warning) 14%, transparent);
    font-size: 9.5px;
    cursor: pointer;
  }
  .place span {
    position: absolute;
    left: 100%;
    top: -3px;
    padding-inline: 2px;
    border-radius: 3px;
    background: var(--color-base-100);
    white-space: nowrap;
  }
  .place.taken {
    background: transparent;
  }
  .place.pointed,
  .place:hover {
    background: color-mix(in oklab, var(--color-warning) 40%, transparent);
  }
  @media (pointer: coarse) {
    .place {
      width: 44px;
      height: 44px;
      margin: -22px 0 0 -22px;
    }
  }
</style>
