<script lang="ts">
  import type { ChartConfiguration } from 'chart.js';
  import type * as Charts from './charts.ts';
  import { theme } from '../theme.svelte.ts';

  interface Props {
    /** Makes the chart in the colours of the page as they are. */
    make: (charts: typeof Charts) => ChartConfiguration;
    /** What the picture tells, for whoever does not see it. */
    label: string;
    height: number;
  }
  const { make, label, height }: Props = $props();

  let canvas: HTMLCanvasElement;
  $effect(() => {
    // Another light, other colours.
    void theme.isDark;
    const configure = make;
    let chart: { destroy: () => void } | undefined;
    let isGone = false;
    void import('./charts.ts').then((charts) => {
      if (!isGone) chart = new charts.Chart(canvas, configure(charts));
    });
    return () => {
      isGone = true;
      chart?.destroy();
    };
  });
</script>

<div role="img" aria-label={label} style:height="{height}px" style:position="relative">
  <canvas bind:this={canvas}></canvas>
</div>
