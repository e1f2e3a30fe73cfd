/**
 * Two ways closer than this, in units of effort, are alternatives between which taste decides: the margins by which
 * the model prefers one of two accepted fingerings are about as thin (left-hand model, near-ties).
 */
export const NEAR_TIE = 0.3;
