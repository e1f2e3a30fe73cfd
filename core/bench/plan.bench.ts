import {
  EMPTY_FINGERING,
  markedPage,
  planPiece,
  readMusicXml,
  setupFor,
  soundOf,
  walkThrough,
  wordingIn,
  type Fingering,
  type Plan,
  type Score,
} from '../src/index.ts';
import { readLeft } from '../src/page/left-reader.ts';
import type { Page } from '../src/page/page-marks.ts';
import { readerView } from '../src/page/reader-view.ts';
import { readRight } from '../src/page/right-reader.ts';
import { compareReturns } from '../src/plan/carry.ts';
import { proposedMarks } from '../src/plan/proposed-marks.ts';
import { difficultyOf } from '../src/review/difficulty.ts';
import { findingsOf } from '../src/review/findings.ts';
import { phrasesOf } from '../src/score/phrases.ts';
import { dampingOf } from '../src/technique/damping.ts';
import { rightSigns } from '../src/technique/right-signs.ts';
import { barresOf } from '../src/technique/barres.ts';
import { shiftsOf } from '../src/technique/shifts.ts';
import { techniqueOf } from '../src/technique/technique.ts';
import { performanceOf } from '../src/performance/performance.ts';
import { compareLine } from '../test/solve-line.ts';
import { planRight } from '../src/right/plan-right.ts';
import { tiledPiece, TEXTURES, type Texture } from './pieces.ts';

const SIZES = [100, 600, 6000] as const;
const EN = wordingIn('en');
/** Runs per figure; the median is printed. Long pieces need fewer. */
const runsFor = (notes: number): number => (notes > 1000 ? 3 : 7);

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
const timed = <T>(work: () => T): { readonly ms: number; readonly value: T } => {
  const started = performance.now();
  const value = work();
  return { ms: performance.now() - started, value };
};
const usedMegabytes = (): number => {
  globalThis.gc?.();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return (heapUsed + arrayBuffers) / 1024 / 1024;
};

const readScore = (xml: string): Score => {
  const read = readMusicXml(xml);
  if (!read.ok) throw new Error(read.error.code);
  return read.value.score;
};

/** Median time to plan again after one lock, over locks spread through the piece. */
const replanTime = (score: Score, plan: Plan): number => {
  const struck = score.notes.filter((note) => !plan.notes[note.index]!.tied);
  const times = Array.from({ length: 15 }, (_, place) => {
    const note = struck[Math.floor(((place + 0.5) / 15) * struck.length)]!;
    const finger = plan.notes[note.index]!.finger === 2 ? 3 : 2;
    const fingering: Fingering = { ...EMPTY_FINGERING, choices: new Map([[note.id, { finger }]]) };
    return timed(() => planPiece(score, fingering, plan.setup, { memory: plan.memory })).ms;
  });
  return median(times);
};

/** Median time of the right hand alone after one lock of a finger of its own. */
const rightReplanTime = (score: Score, plan: Plan): number => {
  const struck = score.notes.filter((note) => plan.notes[note.index]!.pluck !== undefined);
  const { clock, right, rightSetup } = plan.memory;
  const times = Array.from({ length: 15 }, (_, place) => {
    const note = struck[Math.floor(((place + 0.5) / 15) * struck.length)]!;
    const pluck = plan.notes[note.index]!.pluck === 'm' ? 'i' : 'm';
    const fingering: Fingering = { ...EMPTY_FINGERING, choices: new Map([[note.id, { pluck }]]) };
    return timed(() => planRight(score, fingering, plan.left, rightSetup, clock, right)).ms;
  });
  return median(times);
};

/** Everything that is derived from a plan, worked out anew: movements, ringing and damping, harmony, form, difficulty, marks. */
const derive = (plan: Plan): number => {
  const { score, left, right, memory, fingering } = plan;
  const performance = performanceOf(score, memory.clock, fingering.rules.values(), left, right);
  const movements = { shifts: shiftsOf(left, memory.clock), barres: barresOf(left) };
  const technique = techniqueOf(performance, movements);
  const damping = dampingOf(performance);
  const bars = difficultyOf(performance, score.tempi[0]!.quartersPerMinute);
  const signs = rightSigns(performance, damping);
  const marks = proposedMarks({ ...plan, performance, technique, damping });
  const findings = findingsOf(performance, fingering, memory.unlike, {
    ...movements,
    damping,
    jumps: plan.jumps,
  });
  return (
    marks.length +
    bars.length +
    signs.length +
    findings.length +
    phrasesOf(score, left.sounds).length +
    compareReturns({ ...plan, technique }).length
  );
};

/** Reads a page as a trained player does, both hands. */
const readPage = ({ performance, barres }: Plan, page: Page): number => {
  const view = readerView(performance, barres);
  return readLeft(view, page).thinks.size + readRight(performance, view, page).length;
};

const line = (cells: readonly (string | number)[]): string =>
  cells.map((cell, index) => (index === 0 ? String(cell).padEnd(14) : String(cell).padStart(13))).join('');

// One unmeasured round lets the compiler settle.
for (const texture of Object.keys(TEXTURES) as Texture[])
  planPiece(readScore(tiledPiece(texture, { notes: 300 })));

console.log(
  line([
    'texture',
    'notes',
    'parse µs/n',
    'left µs/n',
    'right µs/n',
    'l.prices µs/n',
    'r.prices µs/n',
    'plan ms',
    'derived ms',
    'replan ms',
    'r.replan ms',
    'marks µs/n',
    'reads µs/n',
    'words µs/n',
    'sound µs/n',
    'vs 600',
    'memory MB',
  ]),
);
for (const texture of Object.keys(TEXTURES) as Texture[]) {
  let perNoteAt600 = NaN;
  for (const size of SIZES) {
    const xml = tiledPiece(texture, { notes: size });
    const runs = runsFor(size);
    const parse = median(Array.from({ length: runs }, () => timed(() => readScore(xml)).ms));
    const score = readScore(xml);
    const setup = setupFor(score);
    const before = usedMegabytes();
    const parts: { left: number; right: number }[] = [];
    const plans = Array.from({ length: runs }, () =>
      timed(() =>
        planPiece(score, EMPTY_FINGERING, setup, {
          now: () => performance.now(),
          onTiming: (each) => parts.push(each),
        }),
      ),
    );
    const plan = plans.at(-1)!.value;
    plans.length = 0;
    const memory = usedMegabytes() - before;
    // Prices are kept with a memory: each run prices the same plan made again.
    const priced = (prices: (again: Plan) => unknown): number =>
      median(
        Array.from({ length: runs }, () => {
          const again = planPiece(score, EMPTY_FINGERING, setup, { memory: plan.memory });
          return timed(() => prices(again)).ms;
        }),
      );
    const pricing = priced(({ memory: { left } }) => left.prices);
    const rightPricing = priced(({ memory: { right } }) => right.prices);
    const notes = score.notes.length;
    const perNoteOf = (work: () => unknown): string =>
      ((median(Array.from({ length: runs }, () => timed(work).ms)) * 1000) / notes).toFixed(0);
    const { page } = markedPage(plan, 'essential');
    const whole = median(parts.map((each) => each.left + each.right));
    const perNote = (whole * 1000) / notes;
    if (size === 600) perNoteAt600 = perNote;
    console.log(
      line([
        texture,
        notes,
        ((parse * 1000) / notes).toFixed(0),
        ((median(parts.map((each) => each.left)) * 1000) / notes).toFixed(0),
        ((median(parts.map((each) => each.right)) * 1000) / notes).toFixed(0),
        ((pricing * 1000) / notes).toFixed(0),
        ((rightPricing * 1000) / notes).toFixed(0),
        whole.toFixed(0),
        median(Array.from({ length: runs }, () => timed(() => derive(plan)).ms)).toFixed(0),
        replanTime(score, plan).toFixed(0),
        rightReplanTime(score, plan).toFixed(1),
        perNoteOf(() => markedPage(plan, 'essential')),
        perNoteOf(() => readPage(plan, page)),
        perNoteOf(() => walkThrough(EN, plan, 'bars')),
        perNoteOf(() => soundOf(plan)),
        size === 6000 ? `×${(perNote / perNoteAt600).toFixed(2)}` : '',
        memory.toFixed(0),
      ]),
    );
  }
}

/** Short lines without open strings, on which a general-purpose optimiser solves the same model. */
const LINES = ['C4/8 D4/8 F4/8 G4/8', 'F3/8 A3/8 C4/8 F4/8', 'A4/8 G4/8 F4/8 D4/8', 'D4/8 F4/8 A4/8 D5/8'];
const compared: { readonly planner: number; readonly optimiser: number }[] = [];
for (let round = 0; round < 3; round += 1)
  for (const voice of LINES) {
    const { plannerMs, optimiserMs } = await compareLine(voice);
    compared.push({ planner: plannerMs, optimiser: optimiserMs });
  }
const planner = median(compared.map((each) => each.planner));
const optimiser = median(compared.map((each) => each.optimiser));
console.log(
  `\nFour notes: planner ${planner.toFixed(2)} ms, HiGHS ${optimiser.toFixed(0)} ms, ×${(optimiser / planner).toFixed(0)}`,
);
