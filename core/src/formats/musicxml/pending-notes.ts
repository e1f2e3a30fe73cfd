import { midiOf } from '../../music/pitch.ts';
import { soundingHarmonic } from './harmonics.ts';
import type { PartReading } from './reading.ts';
import type { PendingNote } from './spans.ts';
import type { RawHarmonic } from './raw-note.ts';

/** Which of the pitches of one harmonic stands for it, when several are printed in a chord. */
const BEST_TO_KEEP: readonly RawHarmonic['writes'][] = ['sounding-pitch', 'touching-pitch', 'base-pitch'];

/** The notes of a part with what they sound, in playing order. */
export const pendingNotes = ({ notes, readings, guitar }: PartReading): readonly PendingNote[] => {
  const pending = notes.map(({ placed, bar, onset }): PendingNote => {
    const { shift, capo, idShift } = readings.get(placed.staff)!;
    const plain = midiOf(placed.pitch!) + shift + capo;
    const own = { placed, bar, onset, printedShift: shift, namedMidi: midiOf(placed.pitch!) + idShift };
    if (!placed.harmonic) return { ...own, midi: plain, touched: {} };
    const { midi, ...touched } = soundingHarmonic(plain, placed.harmonic, placed.fingering, guitar);
    return { ...own, midi, touched };
  });
  return oncePerHarmonic(pending).toSorted(
    (a, b) =>
      a.onset - b.onset ||
      Number(b.placed.grace) - Number(a.placed.grace) ||
      (a.placed.grace ? a.placed.order - b.placed.order : 0) ||
      a.placed.line.localeCompare(b.placed.line, 'en', { numeric: true }) ||
      a.midi - b.midi,
  );
};

/** A harmonic may be printed as a chord of its open or stopped note, the touched one and the sound: one is played. */
const oncePerHarmonic = (pending: readonly PendingNote[]): readonly PendingNote[] => {
  const chords = new Map<string, PendingNote[]>();
  for (const note of pending) {
    if (note.placed.harmonic?.writes === undefined) continue;
    const key = `${note.onset}:${note.placed.line}:${note.placed.staff}:${note.placed.grace ? note.placed.order : ''}`;
    chords.set(key, [...(chords.get(key) ?? []), note]);
  }
  const gone = new Set<PendingNote>();
  const kept = new Map<PendingNote, PendingNote>();
  for (const chord of chords.values()) {
    const of = (writes: RawHarmonic['writes']) =>
      chord.filter(({ placed }) => placed.harmonic!.writes === writes);
    const written = BEST_TO_KEEP.filter((writes) => of(writes).length > 0);
    // Several harmonics struck together cannot be told apart by their kinds.
    if (written.length < 2 || written.some((writes) => of(writes).length > 1)) continue;
    const keep = of(written[0])[0]!;
    const [base] = of('base-pitch');
    const [touching] = of('touching-pitch');
    for (const note of chord) if (note !== keep) gone.add(note);
    if (base && touching && keep.placed.harmonic!.kind === 'natural')
      kept.set(keep, {
        ...keep,
        touched: { ...keep.touched, fret: midiOf(touching.placed.pitch!) - midiOf(base.placed.pitch!) },
      });
  }
  return pending.flatMap((note) => (gone.has(note) ? [] : [kept.get(note) ?? note]));
};
