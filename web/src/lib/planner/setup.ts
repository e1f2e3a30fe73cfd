import {
  DEFAULT_SETUP,
  handOf,
  inOctave,
  measuredHand,
  midiOf,
  millimetres,
  parsePitch,
  setupFor,
  wholeSetup,
  type Guitar,
  type PlanSetup,
  type Score,
  type Setup,
} from '@oculon/core';

const tuningOf = (names: readonly string[]): Guitar['tuning'] =>
  names.map((name) => midiOf(parsePitch(name)!));

/** The planner's setup for a piece: tuning and capo come from the piece unless the teacher says otherwise. */
export const planSetup = (decided: Setup, score: Score): PlanSetup => {
  const choice = wholeSetup(decided);
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

/** The piece in the octave in which the teacher reads it. */
export const scoreAsRead = (score: Score, { octave = 0 }: Setup): Score => inOctave(score, octave);
