import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import * as z from 'zod';
import { STANDARD_GUITAR, type Guitar } from '../src/instrument/guitar.ts';
import type { LeftCosts } from '../src/left/hand/costs.ts';
import { leftCosts } from '../src/left/hand/schools.ts';
import { handOf, neckTables, type Hand } from '../src/left/hand/hand.ts';
import { placeMoment, type Moment } from '../src/left/moments/ways-at-moment.ts';
import { stepTables } from '../src/left/search/step-tables.ts';
import { Stepper } from '../src/left/search/step.ts';
import { lowestIndex } from '../src/left/hand/string-masks.ts';

/**
 * The open dataset `@tombatossals/chords-db` (MIT): chord shapes of the guitar with fingers. Strings are listed from
 * ⑥ to ①; frets count from `baseFret`; −1 is a string that is not played.
 */
const datasetSchema = z.object({
  chords: z.record(
    z.string(),
    z.array(
      z.object({
        suffix: z.string(),
        positions: z.array(
          z.object({
            frets: z.array(z.number().int()).length(6),
            fingers: z.array(z.number().int()).length(6),
            baseFret: z.number().int(),
          }),
        ),
      }),
    ),
  ),
});

export type ChordClass = 'open' | 'barre' | 'upper';

/** A chord shape: for each sounding string its fret and the dataset's finger. */
export interface ChordShape {
  readonly name: string;
  readonly key: string;
  readonly notes: readonly { readonly string: number; readonly fret: number; readonly finger: number }[];
  readonly class: ChordClass;
  /** The same for shapes that differ only in where along the neck they lie. */
  readonly form: string;
}

const classOf = (notes: ChordShape['notes']): ChordClass => {
  const fingers = notes.filter((note) => note.finger > 0).map((note) => note.finger);
  if (new Set(fingers).size < fingers.length) return 'barre';
  return notes.some((note) => note.fret === 0) ? 'open' : 'upper';
};

export const chordShapes = (): readonly ChordShape[] => {
  const path = createRequire(import.meta.url).resolve('@tombatossals/chords-db/lib/guitar.json');
  const { chords } = datasetSchema.parse(JSON.parse(readFileSync(path, 'utf8')));
  return Object.entries(chords).flatMap(([key, suffixes]) =>
    suffixes.flatMap(({ suffix, positions }) =>
      positions.map(({ frets, fingers, baseFret }, index): ChordShape => {
        const notes = frets.flatMap((fret, place) =>
          fret < 0
            ? []
            : [{ string: 6 - place, fret: fret === 0 ? 0 : fret + baseFret - 1, finger: fingers[place]! }],
        );
        const lowest = Math.min(...notes.filter((note) => note.fret > 0).map((note) => note.fret));
        return {
          name: `${key.replace('sharp', '♯')} ${suffix} (${index + 1})`,
          key,
          notes,
          class: classOf(notes),
          form: notes.map(({ string, fret }) => `${string}:${fret === 0 ? 'o' : fret - lowest}`).join(' '),
        };
      }),
    ),
  );
};

/** One way to finger a shape, by string as in the shape's notes, with its cost. */
export interface RankedFingering {
  readonly fingers: readonly number[];
  readonly cost: number;
}

/** All ways a hand can finger a shape, cheapest first, as the planner prices a grip taken by a free hand. */
export const rankFingerings = (
  shape: ChordShape,
  guitar: Guitar = STANDARD_GUITAR,
  hand: Hand = handOf('medium'),
  costs: LeftCosts = leftCosts('balanced'),
): readonly RankedFingering[] => {
  const neck = neckTables(guitar);
  const { options, placed } = placeMoment(
    shape.notes.map(({ string, fret }) => ({ places: [{ string, fret }], lock: undefined })),
    hand,
    neck,
  );
  if (placed.length < shape.notes.length) return [];
  const struck = shape.notes.map((_, sound) => sound);
  const moment: Moment = {
    onset: 0,
    previousOnset: -1,
    nextOnset: Infinity,
    secondsBefore: Infinity,
    beatsBefore: 0,
    isOpening: true,
    isLoneLine: false,
    isTuneBeyondFirst: false,
    inTremolo: undefined,
    struck,
    struckBefore: 0,
    lineFrom: struck.map(() => -1),
    lineFalls: struck.map(() => false),
    lineSteps: struck.map(() => false),
    parallel: undefined,
    options,
    positions: -1,
    brokenLocks: [],
    unplayable: [],
  };
  const stepper = new Stepper(costs, stepTables(costs, hand, neck), {
    onset: new Float64Array(struck.length),
    end: new Float64Array(struck.length).fill(1),
    ring: new Float64Array(struck.length).fill(1),
    broken: new Uint8Array(struck.length),
    struckBefore: new Int32Array(struck.length).fill(-1),
    rest: new Float64Array(struck.length).fill(1),
    slurredFrom: new Int32Array(struck.length).fill(-1),
    slides: new Uint8Array(struck.length),
    touched: new Uint8Array(struck.length),
  });
  stepper.prepare(undefined, moment);
  return options.assignments
    .map(({ placements }, option) => {
      let cost = options.fingersUsed[option] === 0 ? 0 : Infinity;
      for (let rest = stepper.homesOf(option); rest !== 0; rest &= rest - 1) {
        const shared = stepper.frame(0, option, lowestIndex(rest));
        cost = Math.min(cost, shared + stepper.costFrom(0));
      }
      return { fingers: placements.map((placement) => placement.finger as number), cost };
    })
    .sort((a, b) => a.cost - b.cost);
};

/** How the planner's choice compares with the dataset's. */
export interface ChordVerdict {
  readonly shape: ChordShape;
  readonly ranked: readonly RankedFingering[];
  /** Place of the dataset's fingering among ours, 1 for the same; undefined when ours has no such grip. */
  readonly rank: number | undefined;
  readonly sameFingers: number;
}

export const judgeChord = (shape: ChordShape, ranked: readonly RankedFingering[]): ChordVerdict => {
  const wanted = shape.notes.map((note) => note.finger);
  const at = ranked.findIndex(({ fingers }) => fingers.every((finger, index) => finger === wanted[index]));
  const ours = ranked[0]?.fingers ?? [];
  return {
    shape,
    ranked,
    rank: at < 0 ? undefined : at + 1,
    sameFingers: wanted.filter((finger, index) => finger === ours[index]).length,
  };
};

/** Keys whose shapes may be looked at while tuning; the others are only reported. */
export const TUNING_KEYS: ReadonlySet<string> = new Set(['C', 'D', 'E', 'Fsharp', 'Ab', 'Bb']);
