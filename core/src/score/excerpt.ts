import { ticks } from '../music/time.ts';
import { indexById, type Bar, type Note, type NoteId, type NoteIndex, type Score } from './score.ts';

/** Some bars of a score, one after the other, as a score of their own. */
export interface Excerpt {
  readonly score: Score;
  /** By note of the excerpt: the note of the whole score that it comes from. */
  readonly sources: readonly NoteIndex[];
}

/**
 * The bars of a score in any order, each as often as it is named: what is played when signs send the player back, or cut
 * out to be practised. Ties and slurs that would lead to a bar that does not follow are left out; a bar that comes again
 * has ids of its own.
 */
export const excerptOf = (score: Score, order: readonly number[]): Excerpt => {
  const notesIn = new Map<number, Note[]>();
  for (const note of score.notes) notesIn.set(note.bar, [...(notesIn.get(note.bar) ?? []), note]);
  const times = new Map<number, number>();
  const sources: NoteIndex[] = [];
  const notes: Note[] = [];
  const bars: Bar[] = [];
  const tempi: { onset: number; quartersPerMinute: number }[] = [];
  const directions: Score['directions'][number][] = [];
  /** Notes of the bar before and of this one, by their place in the whole score. */
  let within = new Map<NoteIndex, NoteIndex>();
  let start = 0;
  order.forEach((source, place) => {
    const bar = score.bars[source]!;
    const time = (times.get(source) ?? 0) + 1;
    times.set(source, time);
    const shift = start - bar.start;
    const follows = order[place - 1] === source - 1;
    const linked = follows ? within : new Map<NoteIndex, NoteIndex>();
    const own = new Map<NoteIndex, NoteIndex>();
    for (const note of notesIn.get(source) ?? []) own.set(note.index, notes.length + own.size);
    const reach = (index: NoteIndex | undefined): NoteIndex | undefined =>
      index === undefined ? undefined : (own.get(index) ?? linked.get(index));
    for (const note of notesIn.get(source) ?? []) {
      const { tiedFrom, slurredFrom, slideFrom, ...plain } = note;
      const tie = reach(tiedFrom);
      const slur = reach(slurredFrom?.note);
      const slide = reach(slideFrom);
      sources.push(note.index);
      notes.push({
        ...plain,
        id: (time === 1 ? note.id : `${note.id}~${time}`) as NoteId,
        index: own.get(note.index)!,
        bar: place,
        onset: ticks(note.onset + shift),
        ...(tie !== undefined && { tiedFrom: tie }),
        ...(slur !== undefined && { slurredFrom: { note: slur, kind: slurredFrom!.kind } }),
        ...(slide !== undefined && { slideFrom: slide }),
      });
    }
    bars.push({
      ...bar,
      index: place,
      start: ticks(start),
      repeatStart: false,
      repeatEnd: false,
      navigation: [],
      voices: bar.voices.map(({ name, events }) => ({
        name,
        events: events.map((event) => ({
          ...event,
          onset: ticks(event.onset + shift),
          notes: event.notes.map((note) => own.get(note)!),
        })),
      })),
    });
    const running = score.tempi.findLast(({ onset }) => onset <= bar.start) ?? score.tempi[0]!;
    tempi.push({ onset: start, quartersPerMinute: running.quartersPerMinute });
    for (const mark of score.tempi)
      if (mark.onset > bar.start && mark.onset < bar.start + bar.length)
        tempi.push({ onset: mark.onset + shift, quartersPerMinute: mark.quartersPerMinute });
    for (const direction of score.directions)
      if (direction.bar === source)
        directions.push({ ...direction, bar: place, onset: ticks(direction.onset + shift) });
    within = own;
    start += bar.length;
  });
  const ending = bars.map(({ ending: _, ...bar }) => bar);
  return {
    sources,
    score: {
      ...score,
      bars: ending,
      notes,
      indexOf: indexById(notes),
      directions,
      positionsWritten: [],
      tempi: tempi
        .filter((mark, index) => mark.quartersPerMinute !== tempi[index - 1]?.quartersPerMinute)
        .map(({ onset, quartersPerMinute }) => ({ onset: ticks(onset), quartersPerMinute })),
    },
  };
};
