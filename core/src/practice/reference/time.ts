/** Ms from note to note at a tempo in beats a minute, with so many notes to the beat. */
export const noteMs = (tempo: number, notesToBeat: number): number => 60_000 / tempo / notesToBeat;

/** Ms until the same finger plays again when so many fingers take turns. */
export const sameFingerMs = (tempo: number, notesToBeat: number, fingers: number): number =>
  noteMs(tempo, notesToBeat) * fingers;
