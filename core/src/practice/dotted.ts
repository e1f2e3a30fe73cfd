import { ticks } from '../music/time.ts';
import { NOTE_TYPES, type NoteIndex, type Score, type VoiceEvent } from '../score/score.ts';

/** With fewer notes of the shortest length there is no run to be dotted. */
const LEAST_RUN = 4;

/**
 * The same music in dotted rhythm: of each two of the shortest notes the first gets longer by half and the second shorter.
 * Undefined where that cannot be written: tuplets and graces, notes that begin or end between a pair, too few that are short.
 */
export const dotted = (score: Score): Score | undefined => {
  const all = score.bars.flatMap((bar) =>
    bar.voices.flatMap(({ events }) => events.map((event) => ({ bar, event }))),
  );
  const struck = all.filter(({ event }) => event.kind === 'notes');
  const short = Math.min(...struck.map(({ event }) => event.duration));
  const pair = 2 * short;
  const run = struck.filter(({ event }) => event.duration === short);
  if (short === 0 || short % 2 !== 0 || run.length < LEAST_RUN) return undefined;
  if (run.some(({ event }) => NOTE_TYPES.indexOf(event.type) === NOTE_TYPES.length - 1)) return undefined;
  const fits = all.every(({ bar, event }) => {
    if (event.kind === 'space') return true;
    const within = event.onset - bar.start;
    if (event.ratio || event.grace || bar.length % pair !== 0) return false;
    return event.duration === short
      ? event.dots === 0 && within % short === 0
      : within % pair === 0 && event.duration % pair === 0;
  });
  if (!fits) return undefined;
  /** Where a moment of a bar comes to lie: the middle of each pair later by half a short note. */
  const moved = (start: number, at: number): number => ((at - start) % pair === short ? at + short / 2 : at);
  const times = new Map<NoteIndex, { onset: number; duration: number }>();
  const bars = score.bars.map((bar) => ({
    ...bar,
    voices: bar.voices.map(({ name, events }) => ({
      name,
      events: events.map((event): VoiceEvent => {
        const onset = moved(bar.start, event.onset);
        const duration = moved(bar.start, event.onset + event.duration) - onset;
        for (const note of event.notes) times.set(note, { onset, duration });
        const own = { ...event, onset: ticks(onset), duration: ticks(duration) };
        if (event.kind === 'space' || event.duration !== short) return own;
        return duration > short
          ? { ...own, dots: 1 }
          : { ...own, type: NOTE_TYPES[NOTE_TYPES.indexOf(event.type) + 1]! };
      }),
    })),
  }));
  return {
    ...score,
    bars,
    notes: score.notes.map((note) => {
      const { onset, duration } = times.get(note.index)!;
      return { ...note, onset: ticks(onset), duration: ticks(duration) };
    }),
  };
};
