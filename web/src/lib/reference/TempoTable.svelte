<script lang="ts">
  import { noteMs, sameFingerMs } from '@oculon/core';

  let tempo = $state(90);
  const DIVISIONS = [1, 2, 3, 4, 6, 8];
  const isGood = $derived(tempo >= 10 && tempo <= 400);
  const WIDTH = 640;
</script>

<section class="mt-8" aria-labelledby="tempo-heading">
  <h2 id="tempo-heading" class="text-lg">Tempo and time</h2>
  <label class="text-sm"
    >Beats a minute <input
      class="input input-sm w-20"
      type="number"
      min="10"
      max="400"
      bind:value={tempo}
      aria-invalid={isGood ? undefined : 'true'}
    /></label
  >
  {#if isGood}
    <svg
      viewBox="0 0 {WIDTH} 64"
      class="mt-2 w-full max-w-2xl"
      role="img"
      aria-label="Notes in two beats, to scale"
    >
      {#each DIVISIONS as division, row (division)}
        {#each { length: 2 * division } as _, place (place)}
          <rect
            x={(place * WIDTH) / (2 * division)}
            y={row * 10}
            width={place % division === 0 ? 4 : 2}
            height="8"
            fill="currentColor"
          />
        {/each}
      {/each}
    </svg>
    <div class="overflow-x-auto" role="region" aria-label="Times of notes">
      <table class="table table-xs w-auto">
        <thead class="text-base-content"
          ><tr
            ><th scope="col">notes to the beat</th><th scope="col">ms</th><th scope="col">a second</th><th
              scope="col">the same finger: alone</th
            ><th scope="col">of two</th><th scope="col">of three</th></tr
          ></thead
        >
        <tbody data-testid="tempo-rows">
          {#each DIVISIONS as division (division)}
            <tr
              ><td>{division}</td><td>{noteMs(tempo, division).toFixed(0)}</td><td
                >{(1000 / noteMs(tempo, division)).toFixed(1)}</td
              >{#each [1, 2, 3] as fingers (fingers)}<td
                  >every {sameFingerMs(tempo, division, fingers).toFixed(0)} ms</td
                >{/each}</tr
            >
          {/each}
        </tbody>
      </table>
    </div>
  {:else}<p role="alert" class="mt-1 text-sm text-error">A tempo from 10 to 400 beats a minute.</p>{/if}
</section>
