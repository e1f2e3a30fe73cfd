<script lang="ts">
  import {
    harmonicWays,
    midiOf,
    parsePitch,
    pitchLabel,
    nodesOf,
    openPitch,
    stringSign,
    STRINGS,
    type Guitar,
  } from '@oculon/core';
  import NeckPicture from './NeckPicture.svelte';

  const { guitar }: { guitar: Guitar } = $props();

  let typed = $state('E4');
  let partial = $state(2);
  const PARTIALS = [2, 3, 4, 5, 6, 7, 8];
  const INTERVALS = [
    '',
    '',
    'octave',
    'twelfth',
    'two octaves',
    'two octaves and a third',
    'two octaves and a fifth',
    'two octaves and a seventh',
    'three octaves',
  ];
  const pitch = $derived(parsePitch(typed));
  const ways = $derived(
    pitch
      ? harmonicWays(
          midiOf(pitch),
          STRINGS.map((string) => openPitch(guitar, string)),
        )
      : [],
  );
  const nodes = $derived(nodesOf(partial));
  const fretText = (fret: number): string =>
    Math.abs(fret - Math.round(fret)) < 0.005 ? String(Math.round(fret)) : fret.toFixed(2);
  const centsText = (cents: number): string =>
    Math.abs(cents) < 0.5 ? 'in tune' : `${Math.abs(cents).toFixed(0)} cents ${cents > 0 ? 'high' : 'low'}`;
</script>

<section class="mt-8" aria-labelledby="harmonics-heading">
  <h2 id="harmonics-heading" class="text-lg">Harmonics</h2>
  <label class="text-sm"
    >Nodes of partial
    <select class="select select-sm w-72" bind:value={partial}>
      {#each PARTIALS as each (each)}<option value={each}
          >{each}: {INTERVALS[each]} above the open string</option
        >{/each}
    </select></label
  >
  <p class="mt-1 text-sm" role="status" data-testid="nodes">
    Touch at fret {nodes.map(({ fret }) => fretText(fret)).join(', ')}
    ({nodes.map(({ at }) => `${Math.round(at * partial)}/${partial}`).join(', ')} of the string): {centsText(
      nodes[0]!.cents,
    )} against equal temperament.
  </p>
  <NeckPicture
    neck={guitar}
    label="The nodes of the partial"
    onWire
    marks={nodes.filter(({ fret }) => fret <= 25).map(({ fret }) => ({ fret, text: fretText(fret) }))}
  />
  <label class="text-sm"
    >To sound
    <input class="input input-sm w-24" bind:value={typed} aria-invalid={pitch ? undefined : 'true'} /></label
  >
  <ul class="mt-1 text-sm" data-testid="harmonic-ways">
    {#if !pitch}<li>A pitch is a letter, perhaps # or b, and an octave: F#3, Bb2, E4.</li>
    {:else if ways.length === 0}<li>
        {pitchLabel(pitch)} is no harmonic up to the eighth partial here.
      </li>{/if}
    {#each ways as { string, stopped, fret, cents, partial: sounded } (`${string} ${stopped} ${fret}`)}
      <li>
        {stringSign(string)}: {stopped > 0
          ? `stop fret ${stopped}, touch fret ${fretText(fret)}`
          : `touch fret ${fretText(fret)}`}
        – partial {sounded}, {centsText(cents)}
      </li>
    {/each}
  </ul>
</section>
