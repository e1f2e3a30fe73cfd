<script lang="ts">
  import type { EndingSign } from '$lib/engraving/endings.ts';

  let { endings }: { endings: readonly EndingSign[] } = $props();
</script>

{#each endings as ending, index (index)}
  <path
    class="ending"
    d="M{ending.x} {ending.y}{ending.text ? 'v10m0-10' : ''} H{ending.until}{ending.closes ? 'v10' : ''}"
  />
  <text class="ending-number" x={ending.x + 6} y={ending.y + 12}>{ending.text}</text>
{/each}

<style>
  .ending {
    fill: none;
    stroke: currentColor;
  }
  .ending-number {
    font: 600 11px var(--font-serif);
    fill: currentColor;
  }
</style>
