/** A node of a string: touched there, the string sounds its n-th partial. */
export interface Node {
  readonly partial: number;
  /** Which of the nodes of the partial, counted from the nut: at this share of the string. */
  readonly at: number;
  /** Where it is touched, as a fret that need not be whole: 12 for the octave, 7.02 for the twelfth. */
  readonly fret: number;
  /** What sounds above the open string, in semitones of equal temperament, and how far it is off, in cents. */
  readonly semitones: number;
  readonly cents: number;
}

/** Partials that players use; above them a string of nylon hardly speaks. Common practice, no published source. */
export const HIGHEST_PARTIAL = 8;

const divisor = (one: number, other: number): number => (other === 0 ? one : divisor(other, one % other));

/**
 * The nodes of a string for one partial, from the nut to the bridge: at k/n of its length, wherever no lower partial has a
 * node as well (string physics: a string touched at k/n sounds n times its frequency).
 */
export const nodesOf = (partial: number): readonly Node[] => {
  const above = 12 * Math.log2(partial);
  const semitones = Math.round(above);
  return Array.from({ length: partial - 1 }, (_, index) => index + 1)
    .filter((place) => divisor(place, partial) === 1)
    .map((place) => ({
      partial,
      at: place / partial,
      fret: -12 * Math.log2(1 - place / partial),
      semitones,
      cents: 100 * (above - semitones),
    }));
};

/** A way to sound a pitch as a harmonic. */
export interface HarmonicWay extends Node {
  /** From the treble, 1 to 6. */
  readonly string: number;
  /** The fret that is stopped, 0 for a natural harmonic; `fret` is counted from the nut all the same. */
  readonly stopped: number;
}

const MOST_STOPPED = 12;
/** Beyond the fingerboard and the sound hole nobody finds a node. */
const FURTHEST = 24.5;

/**
 * How a sounding pitch is had as a harmonic on open strings (given as MIDI, ① first): natural ones first, then those over a
 * stopped fret, of which the octave alone is common.
 */
export const harmonicWays = (pitch: number, tuning: readonly number[]): readonly HarmonicWay[] => {
  const ways: HarmonicWay[] = [];
  tuning.forEach((open, index) => {
    for (let partial = 2; partial <= HIGHEST_PARTIAL; partial += 1)
      for (const node of nodesOf(partial))
        if (open + node.semitones === pitch && node.fret <= FURTHEST)
          ways.push({ ...node, string: index + 1, stopped: 0 });
  });
  tuning.forEach((open, index) => {
    const [octave] = nodesOf(2);
    const stopped = pitch - octave!.semitones - open;
    if (stopped >= 1 && stopped <= MOST_STOPPED)
      ways.push({ ...octave!, fret: octave!.fret + stopped, string: index + 1, stopped });
  });
  return ways;
};
