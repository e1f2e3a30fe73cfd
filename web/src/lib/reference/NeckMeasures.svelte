<script lang="ts">
  import { fretMeasures, reachFromFrets, type Guitar } from '@oculon/core';
  import NeckPicture from './NeckPicture.svelte';

  const { neck }: { neck: Pick<Guitar, 'scaleLength' | 'capo' | 'frets'> } = $props();

  let span = $state<number | null>(100);
  const frets = $derived(fretMeasures(neck));
  const reach = $derived(new Map(reachFromFrets(neck, span ?? 0).map((each) => [each.fret, each.reach])));
</script>

<section class="mt-8" aria-labelledby="neck-heading">
  <h2 id="neck-heading" class="text-lg">Frets in millimetres</h2>
  <NeckPicture {neck} label="The neck with its frets to scale" />
  <label class="text-sm"
    >A span of
    <input class="input input-sm w-20" type="number" min="20" max="250" bind:value={span} /> mm opens as many frets
    as the last line says</label
  >
  <div class="mt-2 overflow-x-auto" role="region" aria-label="Measures of the frets">
    <table class="table table-xs">
      <tbody>
        <tr
          ><th scope="row">fret</th>{#each frets as { fret } (fret)}<th scope="col">{fret}</th>{/each}</tr
        >
        <tr
          ><th scope="row">from the {neck.capo > 0 ? 'capo' : 'nut'}</th
          >{#each frets as { fret, offset } (fret)}<td>{offset.toFixed(1)}</td>{/each}</tr
        >
        <tr
          ><th scope="row">width</th>{#each frets as { fret, width } (fret)}<td>{width.toFixed(1)}</td
            >{/each}</tr
        >
        <tr data-testid="reach"
          ><th scope="row">{span ?? 0} mm reach</th>{#each frets as { fret } (fret)}<td>{reach.get(fret)}</td
            >{/each}</tr
        >
      </tbody>
    </table>
  </div>
</section>
