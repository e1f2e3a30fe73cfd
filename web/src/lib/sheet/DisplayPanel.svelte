<script lang="ts">
  import { DENSITIES, type Density } from '@oculon/core';
  import type { Display } from '../sheet/display.ts';

  const { display }: { display: Display } = $props();

  const CHOICES: readonly (readonly [Exclude<keyof Display, 'density'>, string])[] = [
    ['everyString', 'Every string number'],
    ['ringing', 'What rings on'],
    ['movements', 'Guides, fingers that stay, slurs that would help'],
    ['harmony', 'Chord names'],
    ['rightSigns', 'Planting, strokes and damping'],
  ];
  const DENSITY_NAMES: Readonly<Record<Density, readonly [string, string]>> = {
    essential: ['Essential', 'what a trained player needs; the rest follows from it'],
    working: ['Working', 'essential, with hard bars and the beginnings of phrases in full'],
    everything: ['Everything', 'every finger and letter'],
  };
</script>

<fieldset class="space-y-2 text-sm">
  <legend class="font-serif text-base">On the sheet</legend>
  <div class="join" role="radiogroup" aria-label="How many marks">
    {#each DENSITIES as density (density)}
      <input
        type="radio"
        class="btn join-item btn-sm"
        name="density"
        value={density}
        aria-label={DENSITY_NAMES[density][0]}
        title={DENSITY_NAMES[density][1]}
        bind:group={display.density}
      />
    {/each}
  </div>
  <p class="text-xs opacity-70">{DENSITY_NAMES[display.density][1]}</p>
  {#each CHOICES as [field, name] (field)}
    <label class="flex items-center gap-2">
      <input type="checkbox" class="checkbox checkbox-sm" bind:checked={display[field]} />
      {name}
    </label>
  {/each}
</fieldset>
