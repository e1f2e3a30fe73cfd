/**
 * The tension of a string retuned by so many semitones, as a share of what it was: it goes with the square of the frequency
 * while length and mass stay (Mersenne 1636). No mass of a string is needed for that, and none is given here.
 */
export const tensionAfter = (semitones: number): number => 2 ** (semitones / 6);
