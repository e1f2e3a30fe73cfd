import type { ReaderView, SeenMoment, SeenNote } from './reader-view.ts';

/** What a reader plays with the left hand, by sound, and the position of the hand by moment. */
export interface LeftReading {
  readonly strings: Int8Array;
  readonly fingers: Int8Array;
  readonly positions: Int8Array;
}

export const emptyReading = ({ moments, notes }: ReaderView): LeftReading => ({
  strings: new Int8Array(notes.length).fill(-1),
  fingers: new Int8Array(notes.length).fill(-1),
  positions: new Int8Array(moments.length),
});

/** One way to take a note: a place, and the finger where it is known already. */
export interface Guess {
  readonly string: number;
  readonly fret: number;
  readonly finger: number | undefined;
  readonly assumes: number;
}

/** A whole moment in one position. */
export interface Hypothesis {
  readonly position: number;
  readonly guesses: readonly Guess[];
  readonly assumes: number;
}

/** Where a finger lies. */
interface Lies {
  readonly fret: number;
  readonly strings: Set<number>;
}

/** Writes down how a moment is taken, with the finger of each note; false where a finger does not follow from the position. */
export const setFingers = (
  { strings, fingers }: LeftReading,
  { held, barres }: SeenMoment,
  notes: readonly SeenNote[],
  { position, guesses }: Hypothesis,
): boolean => {
  const lying = new Map<number, Lies>();
  const lay = (finger: number, fret: number, string: number): void => {
    if (finger > 0)
      lying.set(finger, { fret, strings: (lying.get(finger)?.strings ?? new Set()).add(string) });
  };
  for (const { sound, places } of held) {
    const place = places.find(({ string }) => string === strings[sound]);
    if (place) lay(fingers[sound]!, place.fret, place.string);
  }
  notes.forEach(({ sound }, index) => {
    const { string, fret, finger } = guesses[index]!;
    strings[sound] = string;
    if (finger === undefined) return;
    fingers[sound] = finger;
    lay(finger, fret, string);
  });
  const open = notes
    .map((note, index) => ({ note, guess: guesses[index]! }))
    .filter(({ guess }) => guess.finger === undefined)
    .sort((a, b) => b.guess.string - a.guess.string);
  let follows = true;
  for (const { note, guess } of open) {
    const barre = barres.find(({ fret }) => fret === guess.fret);
    const finger = barre ? barre.finger : guess.fret - position + 1;
    const there = lying.get(finger);
    // Two notes on one fret, or a finger that is held elsewhere: whoever takes the second has to think about it.
    const isBusy =
      there !== undefined &&
      barre?.finger !== finger &&
      (there.fret !== guess.fret || !there.strings.has(guess.string));
    if (finger < 1 || finger > 4 || isBusy || note.isHarmonic) follows = false;
    fingers[note.sound] = finger;
    lay(finger, guess.fret, guess.string);
  }
  return follows;
};
