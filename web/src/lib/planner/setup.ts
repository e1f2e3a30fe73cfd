import {
  DEFAULT_SETUP,
  HAND_SIZES,
  handOf,
  LEFT_SCHOOLS,
  millimetres,
  RIGHT_SCHOOLS,
  setupFor,
  type HandSize,
  type PlanSetup,
  type Score,
} from '@oculon/core';
import * as z from 'zod';

/** The choices of the setup panel, as they are kept. */
export const setupChoiceSchema = z.object({
  hand: z.enum(Object.keys(HAND_SIZES) as [HandSize, ...HandSize[]]).default('medium'),
  scaleLength: z.number().min(400).max(700).default(650),
  left: z.enum(LEFT_SCHOOLS).default('balanced'),
  right: z.enum(RIGHT_SCHOOLS).default('free'),
  tempo: z.number().min(10).max(400).optional(),
});
export type SetupChoice = z.infer<typeof setupChoiceSchema>;

export const DEFAULT_SETUP_CHOICE: SetupChoice = setupChoiceSchema.parse({});

/** The planner's setup for a piece: tuning and capo come from the piece itself. */
export const planSetup = (choice: SetupChoice, score: Score): PlanSetup =>
  setupFor(score, {
    guitar: { ...DEFAULT_SETUP.guitar, scaleLength: millimetres(choice.scaleLength) },
    hand: handOf(choice.hand),
    left: choice.left,
    right: choice.right,
    ...(choice.tempo !== undefined && { tempo: choice.tempo }),
  });
