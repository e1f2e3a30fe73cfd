<script lang="ts">
  import type { Display } from '../sheet/display.ts';

  const { display }: { display: Display } = $props();

  const CHOICES: readonly (readonly [keyof Display, string])[] = [
    ['essential', 'Only the essential marks'],
    ['everyString', 'Every string number'],
    ['ringing', 'What rings on'],
    ['movements', 'Guides, fingers that stay, slurs that would help'],
    ['harmony', 'Chord names'],
    ['rightSigns', 'Planting, strokes and damping'],
  ];
</script>

<fieldset class="space-y-2 text-sm">
  <legend class="font-serif text-base">On the sheet</legend>
  {#each CHOICES as [field, name] (field)}
    <label class="flex items-center gap-2">
      <input type="checkbox" class="checkbox checkbox-sm" bind:checked={display[field]} />
      {name}
    </label>
  {/each}
</fieldset>
