<script lang="ts">
  import { midiOf, parsePitch, pitchLabel, placesOf, stringSign, type Guitar } from '@oculon/core';
  import NeckPicture from './NeckPicture.svelte';

  const { guitar }: { guitar: Guitar } = $props();

  let typed = $state('E4');
  const pitch = $derived(parsePitch(typed));
  const places = $derived(pitch ? placesOf(guitar, midiOf(pitch)) : []);
</script>

<section class="mt-8" aria-labelledby="places-heading">
  <h2 id="places-heading" class="text-lg">Where a pitch lies</h2>
  <label class="text-sm"
    >Sounding pitch
    <input class="input input-sm w-24" bind:value={typed} aria-invalid={pitch ? undefined : 'true'} /></label
  >
  <p class="mt-1 text-sm" role="status" data-testid="places">
    {#if !pitch}A pitch is a letter, perhaps # or b, and an octave: F#3, Bb2, E4.
    {:else if places.length === 0}{pitchLabel(pitch)} lies outside this instrument.
    {:else}{pitchLabel(pitch)}: {places
        .map(({ string, fret }) => `${stringSign(string)} ${fret === 0 ? 'open' : `fret ${fret}`}`)
        .join(', ')}{/if}
  </p>
  <NeckPicture
    neck={guitar}
    label="The places of the pitch"
    marks={places.map(({ string, fret }) => ({ string, fret, text: String(fret) }))}
  />
</section>
