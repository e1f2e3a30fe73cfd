<script lang="ts">
  import {
    comfortableFrom,
    FINGER_PAIRS,
    stretchBetween,
    stretchOnInstruments,
    type FingerPair,
    type Guitar,
    type Hand,
  } from '@oculon/core';
  import NeckPicture from './NeckPicture.svelte';

  interface Props {
    neck: Pick<Guitar, 'scaleLength' | 'capo' | 'frets'>;
    hand: Hand;
  }
  const { neck, hand }: Props = $props();

  let pair = $state<FingerPair>('1-4');
  let lower = $state(1);
  let higher = $state(5);
  const EASE = {
    comfortable: 'comfortable',
    possible: 'possible, not for long',
    'out-of-reach': 'out of reach',
  } as const;
  const last = $derived(neck.frets - neck.capo);
  const isGood = $derived(
    Number.isInteger(lower) && Number.isInteger(higher) && lower >= 1 && higher > lower && higher <= last,
  );
  const frets = $derived(higher - lower);
  const mm = $derived(stretchBetween(neck, lower, higher));
  const sizes = $derived(stretchOnInstruments(hand, pair, lower, higher, neck.capo));
  const from = $derived(comfortableFrom(hand, pair, frets, neck));
</script>

<section class="mt-8" aria-labelledby="stretch-heading">
  <h2 id="stretch-heading" class="text-lg">A stretch</h2>
  <div class="mt-1 flex flex-wrap items-end gap-3 text-sm">
    <label
      >Fingers
      <select class="select select-sm w-24" bind:value={pair}>
        {#each FINGER_PAIRS as each (each)}<option value={each}>{each.replace('-', ' to ')}</option>{/each}
      </select></label
    >
    <label
      >from fret <input
        class="input input-sm w-16"
        type="number"
        min="1"
        max="15"
        bind:value={lower}
      /></label
    >
    <label
      >to fret <input class="input input-sm w-16" type="number" min="2" max="19" bind:value={higher} /></label
    >
    {#if isGood}
      <p role="status" data-testid="stretch">
        {mm.toFixed(1)} mm between the fingertips; over {frets}
        {frets === 1 ? 'fret' : 'frets'}
        {from === undefined
          ? 'it is comfortable nowhere on this neck.'
          : from <= 1
            ? 'it is comfortable everywhere on this neck.'
            : `it is comfortable from fret ${from} on.`}
      </p>
    {:else}
      <p role="alert" class="text-error">Two frets from 1 to {last}, the lower one first.</p>
    {/if}
  </div>
  {#if isGood}
    <NeckPicture
      {neck}
      label="Both fingers on the neck"
      marks={[
        { fret: lower, string: 3, text: pair[0]! },
        { fret: higher, string: 3, text: pair[2]! },
      ]}
    />
    <table class="table table-xs w-auto">
      <thead class="text-base-content"
        ><tr><th scope="col">scale length</th><th scope="col">mm</th><th scope="col">for this hand</th></tr
        ></thead
      >
      <tbody>
        {#each sizes as { scaleLength, mm: width, ease } (scaleLength)}
          <tr><td>{scaleLength}</td><td>{width.toFixed(1)}</td><td>{EASE[ease]}</td></tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <p class="mt-1 text-xs opacity-80">
    Begin high on the neck and go down a fret at a time. Stop when it hurts; if pain or numbness stays, see a
    doctor or a hand therapist.
  </p>
</section>
