import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartConfiguration,
} from 'chart.js';
import {
  dayName,
  dayText,
  later,
  type PractisedWeek,
  type Ladder,
  type SpotRecord,
  type Wording,
} from '@oculon/core';

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  Filler,
  Tooltip,
);

Chart.defaults.font.family = getComputedStyle(document.body).fontFamily;

/** A colour of the page's theme as it is now. */
const colour = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--color-${name}`).trim();
const faint = (name: string, share: number): string =>
  `color-mix(in oklab, ${colour(name)} ${share}%, transparent)`;

const common = () => ({
  responsive: true,
  maintainAspectRatio: false,
  // A picture of numbers, not a show.
  animation: false as const,
  plugins: { legend: { display: false } },
});
const axis = () => ({ grid: { color: faint('base-content', 12) }, ticks: { color: colour('base-content') } });

/** Minutes of each week. */
export const weeksChart = (wording: Wording, weeks: readonly PractisedWeek[]): ChartConfiguration<'bar'> => ({
  type: 'bar',
  data: {
    labels: weeks.map(({ monday }) => dayName(wording, monday, 'short')),
    datasets: [
      {
        data: weeks.map(({ minutes }) => minutes),
        backgroundColor: colour('secondary'),
        maxBarThickness: 28,
      },
    ],
  },
  options: {
    ...common(),
    scales: { x: { ...axis(), grid: { display: false } }, y: { ...axis(), beginAtZero: true } },
  },
});

/** Clean tempi of a spot by day, the ladder's rungs behind them, and the forecast with its band. */
export const tempoChart = (
  wording: Wording,
  { rungs }: Ladder,
  { tempi, forecast }: SpotRecord,
): ChartConfiguration<'line'> => {
  const target = rungs.at(-1)!;
  const first = tempi[0]!.day;
  const last = tempi.at(-1)!;
  const best = Math.max(...tempi.map(({ tempo }) => tempo));
  const ahead = forecast.kind === 'on-its-way' ? forecast : undefined;
  const end = ahead ? Math.max(ahead.until, last.day) : last.day;
  const line = { pointRadius: 0, borderWidth: 1, fill: false as const };
  return {
    type: 'line',
    data: {
      datasets: [
        {
          data: tempi.map(({ day, tempo }) => ({ x: day, y: tempo })),
          borderColor: colour('secondary'),
          backgroundColor: colour('secondary'),
          pointRadius: 3,
          borderWidth: 2,
        },
        {
          ...line,
          data: [
            { x: first, y: target },
            { x: end, y: target },
          ],
          borderColor: colour('primary'),
          borderDash: [6, 4],
        },
        ...(ahead
          ? [
              {
                ...line,
                data: [
                  { x: last.day, y: best },
                  { x: ahead.from, y: target },
                  { x: ahead.until, y: target },
                ],
                borderColor: 'transparent',
                backgroundColor: faint('secondary', 18),
                fill: { target: 3 },
              },
              {
                ...line,
                data: [
                  { x: last.day, y: best },
                  { x: ahead.until, y: target },
                ],
                borderColor: faint('secondary', 40),
              },
              {
                ...line,
                data: [
                  { x: last.day, y: best },
                  { x: ahead.day, y: target },
                ],
                borderColor: colour('secondary'),
                borderDash: [3, 3],
              },
            ]
          : []),
      ],
    },
    options: {
      ...common(),
      scales: {
        x: {
          ...axis(),
          type: 'linear',
          min: first,
          max: Math.max(end, later(first, 1)),
          ticks: {
            color: colour('base-content'),
            maxTicksLimit: 5,
            precision: 0,
            callback: (value) => dayName(wording, later(first, Math.round(Number(value)) - first), 'short'),
          },
        },
        y: {
          ...axis(),
          min: Math.floor(Math.min(rungs[0]!, ...tempi.map(({ tempo }) => tempo))),
          suggestedMax: Math.ceil(target * 1.05),
          // The lines behind the points are the rungs that were climbed.
          afterBuildTicks: (scale) => {
            scale.ticks = rungs
              .filter((_, rung) => rung % Math.ceil(rungs.length / 8) === 0 || rung === rungs.length - 1)
              .map((value) => ({ value }));
          },
          ticks: { color: colour('base-content'), callback: (value) => String(Math.round(Number(value))) },
        },
      },
      plugins: {
        legend: { display: false },
        tooltip: {
          filter: ({ datasetIndex }) => datasetIndex === 0,
          callbacks: {
            title: (items) => (items[0] ? dayText(later(first, Number(items[0].parsed.x) - first)) : ''),
            label: ({ parsed }) => `♩ = ${Math.round(Number(parsed.y))}`,
          },
        },
      },
    },
  };
};

export { Chart };
