/**
 * The tension of a string retuned by so many semitones, as a share of what it was: it goes with the square of the frequency
 * while length and mass stay (Mersenne 1636). No mass of a string is needed for that, and none is given here.
 */
export const tensionAfter = (semitones: number): number => 2 ** (semitones / 6);

/** The tension at another scale length for the same pitch and string, as a share: with the square of the length. */
export const tensionAtLength = (from: number, to: number): number => (to / from) ** 2;
