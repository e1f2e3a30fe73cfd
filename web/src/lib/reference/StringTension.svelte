<script lang="ts">
  import { stringSign, tensionAfter } from '@oculon/core';

  const { tuning }: { tuning: readonly string[] } = $props();

  let semitones = $state<number | null>(-2);
  let string = $state(6);
  const share = $derived(tensionAfter(semitones ?? 0));
</script>

<section class="mt-8" aria-labelledby="tension-heading">
  <h2 id="tension-heading" class="text-lg">A string tuned otherwise</h2>
  <div class="flex flex-wrap items-end gap-3 text-sm">
    <label
      >String
      <select class="select select-sm w-24" bind:value={string}>
        {#each tuning as name, index (index)}<option value={index + 1}>{stringSign(index + 1)} {name}</option
          >{/each}
      </select></label
    >
    <label
      >by
      <input class="input input-sm w-20" type="number" min="-7" max="4" bind:value={semitones} /> semitones</label
    >
    <p role="status" data-testid="tension">
      {stringSign(string)} then pulls with {(100 * share).toFixed(0)} % of its tension{share > 1.2
        ? '. That is much for a string and for a bridge: use a thinner string.'
        : share < 0.7
          ? ', and may be too slack to speak.'
          : '.'}
    </p>
  </div>
  <svg viewBox="0 0 400 30" class="mt-2 w-full max-w-md" role="img" aria-label="Tension before and after">
    <rect x="0" y="2" width="240" height="10" fill="currentColor" opacity="0.3" />
    <rect x="0" y="16" width={Math.min(400, 240 * share)} height="10" fill="var(--color-primary)" />
  </svg>
  <p class="mt-1 text-xs opacity-80">
    Tension goes with the square of the frequency while length and mass of the string stay (Mersenne, 1636).
    The mass of a string differs from maker to maker and is left out.
  </p>
</section>
