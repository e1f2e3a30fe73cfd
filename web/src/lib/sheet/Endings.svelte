<script lang="ts">
  import type { EndingSign } from '$lib/engraving/endings.ts';

  let { endings }: { endings: readonly EndingSign[] } = $props();
</script>

{#each endings as ending, index (index)}
  <path
    class="ending"
    d="M{ending.x} {ending.y}{ending.text ? 'v12m0-12' : ''} H{ending.until}{ending.closes ? 'v12' : ''}"
  />
  <text class="ending-number" x={ending.x + 6} y={ending.y + 13.5}>{ending.text}</text>
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
