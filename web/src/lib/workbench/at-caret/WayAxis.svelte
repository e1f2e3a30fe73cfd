<script lang="ts">
  import { PRICE_LIMIT, stringSign, type PricedPlacement } from '@oculon/core';
  import type { Choices, PricedChoice } from '../choices.svelte.ts';
  import { WAY_KEYS } from '../commands/deeds.ts';
  import { placesOnAxis } from './axis-places.ts';
  import { consequenceWords } from './consequence-words.ts';
  import { priceText } from './price-text.ts';

  /** The ways to take the note on an axis of price; pointing at one shows on the sheet what it would change. */
  const { choices, ontake }: { choices: Choices; ontake: (choice: PricedChoice) => void } = $props();

  const CHIP = 0.235;
  const ROW = 28;

  const shown = $derived(choices.ways.slice(0, WAY_KEYS.length));
  const places = $derived(
    placesOnAxis(
      shown.map(({ price }) => price),
      PRICE_LIMIT,
      CHIP,
    ),
  );
  const rows = $derived(1 + Math.max(0, ...places.map(({ row }) => row)));
  const rest = $derived(choices.ways.slice(WAY_KEYS.length));
  const name = ({ string, fret, finger }: PricedPlacement) =>
    `${stringSign(string)} ${finger === 0 ? 'open' : `fret ${fret}, finger ${finger}`}`;
  const asChoice = (way: PricedPlacement) => ({ hand: 'left', way }) as const;
  /** What is told below the axis: the choice that is pointed at, or else the next best one. */
  const told = $derived(choices.pointed ?? (shown[1] && asChoice(shown[1])));
</script>

{#if choices.problem}<p role="alert" class="text-sm text-error">{choices.problem}</p>{/if}
<section aria-label="Ways to take this note" data-testid="ways" class="axis-of-ways">
  <ol class="axis" style:height="{rows * ROW + 4}px">
    {#each shown as way, index (`${way.string}/${way.finger}`)}
      {@const choice = asChoice(way)}
      {@const preview = choices.previewOf(choice)}
      <li style:left="{places[index]!.along * 100}%" style:bottom="{places[index]!.row * ROW + 4}px">
        <button
          class="chip"
          class:taken={choices.isTaken(choice)}
          class:pointed={choices.isPointed(choice)}
          aria-pressed={choices.isTaken(choice)}
          aria-keyshortcuts={WAY_KEYS[index]?.toUpperCase()}
          title="{name(way)} ({WAY_KEYS[index]?.toUpperCase()})"
          onpointerenter={() => choices.point(choice)}
          onpointerleave={() => choices.point(undefined)}
          onfocus={() => choices.point(choice)}
          onblur={() => choices.point(undefined)}
          onclick={() => ontake(choice)}
          ><span aria-hidden="true"
            ><span class="on-string">{stringSign(way.string)}</span>{way.fret} · {way.finger}</span
          ><span class="sr-only"
            >{name(way)}, {priceText(way.price)}{preview
              ? `: ${consequenceWords(choice, preview)}`
              : ''}</span
          ></button
        >
        <span class="price" aria-hidden="true">{priceText(way.price)}</span>
      </li>
    {/each}
  </ol>
  <p class="told" aria-live="polite">
    {#if told && !choices.isTaken(told)}
      {@const preview = choices.previewOf(told)}
      {told.hand === 'left' ? name(told.way) : `pluck with ${told.way.pluck}`},
      {priceText(told.way.price)}{preview ? `: ${consequenceWords(told, preview)}` : ' …'}
    {/if}
    {#if rest.length > 0}
      Dearer:
      {#each rest as way (`${way.string}/${way.finger}`)}
        {@const choice = asChoice(way)}
        <button
          class="dearer"
          class:pointed={choices.isPointed(choice)}
          aria-pressed={choices.isTaken(choice)}
          onpointerenter={() => choices.point(choice)}
          onpointerleave={() => choices.point(undefined)}
          onfocus={() => choices.point(choice)}
          onblur={() => choices.point(undefined)}
          onclick={() => ontake(choice)}>{name(way)} {priceText(way.price)}</button
        >
      {/each}
    {/if}
  </p>
</section>

<style>
  .axis-of-ways {
    min-height: 5.6rem;
  }
  .axis {
    position: relative;
    border-bottom: 2px solid var(--color-base-300);
    margin-bottom: 1rem;
  }
  li {
    position: absolute;
    width: 23%;
    text-align: center;
  }
  .chip {
    width: 100%;
    height: 25px;
    border: 1px solid var(--color-base-300);
    border-radius: 11px;
    background: var(--color-base-100);
    font-size: 12.5px;
    font-weight: 600;
    line-height: 1;
    white-space: nowrap;
    cursor: pointer;
  }
  .on-string {
    font-size: 14px;
    font-weight: 400;
  }
  .chip:hover,
  .chip.pointed {
    border-color: var(--color-warning);
    background: color-mix(in oklab, var(--color-warning) 22%, var(--color-base-100));
  }
  .chip.taken {
    background: var(--color-secondary);
    color: var(--color-secondary-content);
  }
  /* Only those next to the axis have their price under it; the others are told by name. */
  .price {
    position: absolute;
    left: 0;
    right: 0;
    top: 27px;
    font-size: 10.5px;
    opacity: 0.8;
  }
  li:not([style*='bottom: 4px']) .price {
    display: none;
  }
  .dearer {
    padding-inline: 0.25rem;
    border-radius: var(--radius-field);
    text-decoration: underline dotted;
    cursor: pointer;
  }
  .dearer.pointed {
    background: color-mix(in oklab, var(--color-warning) 22%, var(--color-base-100));
  }
  .told {
    font-size: 12.5px;
    line-height: 1.3;
    min-height: 2.1rem;
    max-height: 4.2rem;
    overflow-y: auto;
  }
  @media (pointer: coarse) {
    .chip {
      height: 27px;
    }
  }
</style>
