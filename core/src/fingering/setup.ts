import * as z from 'zod/mini';
import { parsePitch } from '../music/pitch.ts';
import { patternSchema } from './rules.ts';
import {
  FINGER_PAIRS,
  HAND_NAMES,
  LEFT_SCHOOLS,
  LEFT_WEIGHT_NAMES,
  RIGHT_SCHOOLS,
  WEIGHT_RANGE,
} from './vocabulary.ts';

/** For whom and on what a piece is fingered, as far as the teacher has decided it: what each field may be. */
const FIELDS = {
  hand: z.enum(HAND_NAMES),
  /** Comfortable spans in mm, measured between fingertips; they overrule the size. */
  spans: z.partialRecord(z.enum(FINGER_PAIRS), z.number().check(z.minimum(10), z.maximum(200))),
  /** Open strings ① to ⑥ by name, such as `E4`; the piece's own tuning when missing. */
  tuning: z
    .array(
      z.string().check(
        z.maxLength(6),
        z.refine((name) => parsePitch(name) !== undefined),
      ),
    )
    .check(z.length(6)),
  capo: z.int().check(z.minimum(0), z.maximum(12)),
  weights: z.partialRecord(
    z.enum(LEFT_WEIGHT_NAMES),
    z.number().check(z.minimum(WEIGHT_RANGE[0]), z.maximum(WEIGHT_RANGE[1])),
  ),
  scaleLength: z.number().check(z.minimum(400), z.maximum(700)),
  left: z.enum(LEFT_SCHOOLS),
  right: z.enum(RIGHT_SCHOOLS),
  /** Order of the fingers in tremolo. */
  tremolo: patternSchema,
  doubleThumb: z.boolean(),
  keepOrder: z.boolean(),
  /** Working tempo in quarters a minute. */
  tempo: z.number().check(z.minimum(10), z.maximum(400)),
  /** Octaves above (1) or below (−1) how the file was read. */
  octave: z.union([z.literal(-1), z.literal(0), z.literal(1)]),
};
export type SetupField = keyof typeof FIELDS;
export const SETUP_FIELDS = Object.keys(FIELDS) as readonly SetupField[];

/** Decided fields alone; a missing one is left to the piece or to what is usual. */
export const setupSchema = z.partial(z.strictObject(FIELDS));
export type Setup = z.infer<typeof setupSchema>;

/** Fields of a setup as a change names them: null where nothing is decided. */
export const setupChangeSchema = z.partial(
  z.strictObject(
    Object.fromEntries(
      Object.entries(FIELDS).map(([name, schema]) => [name, z.nullable(schema as z.ZodMiniType)]),
    ) as { [K in SetupField]: z.ZodMiniNullable<(typeof FIELDS)[K]> },
  ),
);
export type SetupChange = z.infer<typeof setupChangeSchema>;

/** What is usual where the teacher has decided nothing. */
export const USUAL_SETUP = {
  hand: 'medium',
  scaleLength: 650,
  left: 'balanced',
  right: 'free',
  doubleThumb: true,
  keepOrder: true,
  octave: 0,
} as const satisfies Setup;

/** A setup with everything that has a usual value. */
export type WholeSetup = Setup & Required<Pick<Setup, keyof typeof USUAL_SETUP>>;
export const wholeSetup = (setup: Setup): WholeSetup => ({ ...USUAL_SETUP, ...setup });
