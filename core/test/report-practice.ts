import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readMusicXml } from '../src/formats/musicxml/read.ts';
import { planPiece, type Plan } from '../src/plan/plan.ts';
import { forecastOf, randomFrom } from '../src/practice/forecast.ts';
import { practised } from '../src/practice/practise.ts';
import { MINUTES, practiseFor, WEEKDAYS, WEEKS } from './simulated-student.ts';

const STUDIES = join(import.meta.dirname, '../../demo/studies');
const studyPlan = (name: string): Plan => {
  const read = readMusicXml(readFileSync(join(STUDIES, `${name}.musicxml`), 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  return planPiece(read.value.score);
};
const PRACTISED = ['low-meadow-dance', 'stairs-of-glass', 'two-bells', 'one-thread', 'moth-hour'];

const RUNS = 1000;
const NOISE = 0.05;

/** How often the interval of the forecast holds the true day in made-up logs with noise. */
const coverageRow = (count: number): string => {
  let [told, inside] = [0, 0];
  const widths: number[] = [];
  for (let run = 1; run <= RUNS; run += 1) {
    const random = randomFrom(run);
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const [ceiling, start, tau] = [105 + 20 * random(), 40 + 25 * random(), 8 + 14 * random()];
    const truth = tau * Math.log((ceiling - start) / (ceiling - 100));
    const seen = Array.from({ length: count }, (_, day) => ({
      day,
      tempo: (ceiling - (ceiling - start) * Math.exp(-day / tau)) * (1 + NOISE * gauss()),
    }));
    const forecast = forecastOf(seen, 100, run);
    if (forecast.kind !== 'on-its-way') continue;
    told += 1;
    if (truth >= forecast.from && truth <= forecast.until) inside += 1;
    widths.push(forecast.until - forecast.from);
  }
  widths.sort((a, b) => a - b);
  return `| ${count} | ${told} | ${((100 * inside) / told).toFixed(1)} % | ${widths[widths.length >> 1]!.toFixed(0)} |`;
};

const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!;
const NEVER = 7 * WEEKS;
const STUDENTS = 40;

const studentRow = (study: string): string => {
  const plan = studyPlan(study);
  const piece = practised(plan, study);
  const last = (how: 'by-plan' | 'through') =>
    median(
      Array.from({ length: STUDENTS }, (_, seed) =>
        Math.max(...practiseFor(piece, how, seed + 1).reached.map((day) => day ?? NEVER)),
      ),
    );
  const shown = (day: number): string => (day >= NEVER ? 'not in eight weeks' : `day ${day + 1}`);
  return `| ${plan.score.title} | ${piece.spots.length} | ${shown(last('by-plan'))} | ${shown(last('through'))} |`;
};

/** Forecasts after some days of practice against the day on which the made-up student really got there. */
const forecastRow = (after: number): string => {
  let [told, inside] = [0, 0];
  for (const study of PRACTISED) {
    const piece = practised(studyPlan(study), study);
    for (let seed = 1; seed <= STUDENTS; seed += 1) {
      const { seen } = practiseFor(piece, 'by-plan', seed);
      seen.forEach((log, index) => {
        const target = piece.spots[index]!.ladder.rungs.at(-1)!;
        const truth = log.find(({ tempo }) => tempo >= target)?.day;
        if (truth === undefined || truth < after) return;
        const forecast = forecastOf(log.slice(0, after), target, seed);
        if (forecast.kind !== 'on-its-way') return;
        told += 1;
        if (truth >= Math.floor(forecast.from) && truth <= Math.ceil(forecast.until)) inside += 1;
      });
    }
  }
  return `| ${after} | ${told} | ${told === 0 ? '–' : `${((100 * inside) / told).toFixed(0)} %`} |`;
};

/** What the arithmetic of practice comes to on made-up logs and students. */
export const practiceReport = (): string => `## Practice

Everything here is made up: logs from the curve that the forecast assumes, and students who learn as \`core/test/simulated-student.ts\` says. It tests the arithmetic and is no statement about people.

Forecast from the first days of a log with ${100 * NOISE} % of noise, ${RUNS} logs each; the interval should hold the true day in 80 ± 7 %.

| days known | told | interval holds the day | median width in days |
| ---: | ---: | ---: | ---: |
${[6, 8, 12, 16].map(coverageRow).join('\n')}

Eight weeks of ${MINUTES} minutes on ${WEEKDAYS.length} days a week, a sixth of the days missed, one with pain; median of ${STUDENTS} made-up students: the day on which all spots were clean at the target, by the plan and with the same minutes spent playing the piece through (each bar then gets its share).

| study | spots | by the plan | played through |
| --- | ---: | --- | --- |
${PRACTISED.map(studentRow).join('\n')}

Forecasts for these students, made from the first days of each spot’s log (whose tempi are rungs of a ladder, not the curve itself):

| days known | told | interval holds the day |
| ---: | ---: | ---: |
${[5, 8, 12].map(forecastRow).join('\n')}`;
