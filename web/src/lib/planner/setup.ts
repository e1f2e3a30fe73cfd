import {
  DEFAULT_SETUP,
  FINGER_PAIRS,
  HAND_SIZES,
  handOf,
  LEFT_SCHOOLS,
  LEFT_WEIGHTS,
  measuredHand,
  midiOf,
  millimetres,
  parsePitch,
  patternSchema,
  RIGHT_SCHOOLS,
  setupFor,
  WEIGHT_RANGE,
  type Guitar,
  type HandSize,
  type LeftWeight,
  type PlanSetup,
  type Score,
} from '@oculon/core';
import * as z from 'zod';

/** The choices of the setup panel, as they are kept. */
export const setupChoiceSchema = z.object({
  hand: z.enum(Object.keys(HAND_SIZES) as [HandSize, ...HandSize[]]).default('medium'),
  /** Comfortable spans in mm, measured between fingertips; they overrule the size. */
  spans: z.partialRecord(z.enum(FINGER_PAIRS), z.number().min(10).max(200)).optional(),
  /** Open strings ① to ⑥ by name, such as `E4`; the piece's own tuning when missing. */
  tuning: z
    .array(z.string().refine((name) => parsePitch(name) !== undefined))
    .length(6)
    .optional(),
  capo: z.int().min(0).max(12).optional(),
  weights: z
    .partialRecord(
      z.enum(Object.keys(LEFT_WEIGHTS) as [LeftWeight, ...LeftWeight[]]),
      z.number().min(WEIGHT_RANGE[0]).max(WEIGHT_RANGE[1]),
    )
    .optional(),
  scaleLength: z.number().min(400).max(700).default(650),
  left: z.enum(LEFT_SCHOOLS).default('balanced'),
  right: z.enum(RIGHT_SCHOOLS).default('free'),
  /** Order of the fingers in tremolo. */
  tremolo: patternSchema.optional(),
  doubleThumb: z.boolean().default(true),
  keepOrder: z.boolean().default(true),
  tempo: z.number().min(10).max(400).optional(),
});
export type SetupChoice = z.infer<typeof setupChoiceSchema>;

export const DEFAULT_SETUP_CHOICE: SetupChoice = setupChoiceSchema.parse({});

const tuningOf = (names: readonly string[]): Guitar['tuning'] =>
  names.map((name) => midiOf(parsePitch(name)!));

/** The planner's setup for a piece: tuning and capo come from the piece unless the teacher says otherwise. */
export const planSetup = (choice: SetupChoice, score: Score): PlanSetup => {
  const setup = setupFor(score, {
    guitar: { ...DEFAULT_SETUP.guitar, scaleLength: millimetres(choice.scaleLength) },
    hand: choice.spans ? measuredHand(choice.spans) : handOf(choice.hand),
    left: choice.left,
    right: choice.right,
    doubleThumb: choice.doubleThumb,
    keepOrder: choice.keepOrder,
    ...(choice.tremolo !== undefined && { tremolo: choice.tremolo }),
    ...(choice.weights && { leftWeights: choice.weights }),
    ...(choice.tempo !== undefined && { tempo: choice.tempo }),
  });
  return {
    ...setup,
    guitar: {
      ...setup.guitar,
      ...(choice.tuning && { tuning: tuningOf(choice.tuning) }),
      ...(choice.capo !== undefined && { capo: choice.capo }),
    },
  };
};
