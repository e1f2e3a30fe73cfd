<script lang="ts">
  import type { BarDifficulty } from '@oculon/core';
  import { BarController, BarElement, CategoryScale, Chart, LinearScale, Legend, Tooltip } from 'chart.js';

  interface Props {
    one: readonly BarDifficulty[];
    other: readonly BarDifficulty[];
    /** What the two are called. */
    names: readonly [string, string];
  }
  /** How hard the bars are in two versions, side by side. */
  const { one, other, names }: Props = $props();

  Chart.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip);

  /** Told apart by lightness as well as by hue. */
  const SHADES = ['#4f8a86', '#8c3f2c'] as const;

  const draw = (canvas: HTMLCanvasElement) => {
    const ink = getComputedStyle(canvas).color;
    const chart = new Chart(canvas, {
      type: 'bar',
      data: {
        labels: one.map(({ number }) => number),
        datasets: [one, other].map((bars, index) => ({
          label: names[index]!,
          data: bars.map(({ level }) => level),
          backgroundColor: SHADES[index]!,
        })),
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        plugins: { legend: { position: 'bottom', labels: { boxWidth: 10, color: ink } } },
        scales: {
          x: { ticks: { color: ink }, title: { display: true, text: 'bar', color: ink } },
          y: { min: 0, max: 10, ticks: { color: ink }, title: { display: true, text: 'of 10', color: ink } },
        },
      },
    });
    return () => chart.destroy();
  };
</script>

{#key one}
  <div class="h-44" role="img" aria-label="How hard the bars are: {names.join(' and ')}">
    <canvas {@attach draw}></canvas>
  </div>
{/key}
