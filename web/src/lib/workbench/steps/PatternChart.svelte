<script lang="ts">
  import type { RightWay } from '@oculon/core';
  import { BarController, BarElement, CategoryScale, Chart, LinearScale, Legend, Tooltip } from 'chart.js';
  import { wayName } from './right-words.ts';

  /** Strokes by finger for each way, one bar a way. */
  const { ways }: { ways: readonly RightWay[] } = $props();

  Chart.register(BarController, BarElement, CategoryScale, LinearScale, Legend, Tooltip);

  const FINGERS = ['p', 'i', 'm', 'a'] as const;
  /** Told apart by lightness as well as by hue. */
  const SHADES = ['#5b3a29', '#8c5a2b', '#4f8a86', '#a9cfc6'] as const;

  const draw = (canvas: HTMLCanvasElement) => {
    const ink = getComputedStyle(canvas).color;
    const chart = new Chart(canvas, {
      type: 'bar',
      data: {
        labels: ways.map(wayName),
        datasets: FINGERS.map((finger, index) => ({
          label: finger,
          data: ways.map(({ measures }) => measures.load[finger]),
          backgroundColor: SHADES[index]!,
        })),
      },
      options: {
        indexAxis: 'y',
        animation: false,
        maintainAspectRatio: false,
        plugins: { legend: { position: 'bottom', labels: { boxWidth: 10, color: ink } } },
        scales: {
          x: {
            stacked: true,
            ticks: { color: ink, precision: 0 },
            title: { display: true, text: 'strokes', color: ink },
          },
          y: { stacked: true, ticks: { color: ink } },
        },
      },
    });
    return () => chart.destroy();
  };
</script>

<div style:height="{60 + ways.length * 24}px" role="img" aria-label="Strokes by finger for each way">
  <canvas {@attach draw}></canvas>
</div>
