import { barLength, type Meter } from '../../music/meter.ts';
import { leastCommonMultiple, quartersText, ticks } from '../../music/time.ts';
import { midiOf, type PitchSpelling } from '../../music/pitch.ts';
import { DEFAULT_TEMPO } from '../clock.ts';
import { spaceBetween, writtenQuarters } from '../note-length.ts';
import { indexById, NAVIGATION_WORDS } from '../score.ts';
import type { Bar, Note, NoteId, NoteIndex, Score, TempoMark, VoiceEvent } from '../score.ts';
import type { BarDraft, EventDraft, PieceDraft } from './draft.ts';

const DEFAULT_METER: Meter = { beats: 4, beatType: 4 };

/** Every plain value down to the 64th is whole in it; tuplets multiply it. */
const LEAST_RESOLUTION = 16;
/** A slur over more notes is phrasing, not technique. Common practice, no published source. */
const LONGEST_TECHNICAL_SLUR = 4;

/** A note on its way into the score. */
interface Placed {
  readonly pitch: PitchSpelling;
  readonly place: number;
  readonly event: EventDraft;
  readonly bar: number;
  readonly voice: string;
  /** Order of the event in its voice, over the whole piece. */
  readonly order: number;
  readonly onset: number;
  readonly length: number;
}

/** Ticks a quarter in which everything in a draft is whole. */
const resolutionOf = ({ bars }: PieceDraft): number =>
  bars
    .flatMap(({ voices }) => voices.flat())
    .reduce(
      (resolution, { ratio, type, dots = 0 }) =>
        leastCommonMultiple(
          resolution,
          (ratio?.actual ?? 1) * Math.max(1, 2 ** dots / writtenQuarters(type, 0)),
        ),
      LEAST_RESOLUTION,
    );

const lengthOf = ({ type, dots = 0, ratio, grace }: EventDraft, resolution: number): number =>
  grace ? 0 : Math.round(writtenQuarters(type, dots, ratio) * resolution);

const written = (pitch: PitchSpelling): PitchSpelling => ({ ...pitch, octave: pitch.octave + 1 });

/**
 * The score of a draft; a voice shorter than its bar is silent for the rest of it. Throws `RangeError` for a draft that is
 * none: no bars, or a tie that leads to no note of its pitch.
 */
export const buildScore = (draft: PieceDraft): Score => {
  if (draft.bars.length === 0) throw new RangeError('a piece has a bar at least');
  const resolution = resolutionOf(draft);
  const layout = layBars(draft.bars, resolution);
  const placed = placeNotes(draft.bars, layout, resolution);
  const notes = placed.map((note, index) => noteOf(note, index, layout[note.bar]!, resolution, placed));
  const indexOf = new Map(placed.map((note, index) => [`${note.voice} ${note.order} ${note.place}`, index]));
  const linked = withSlurs(withTies(notes, placed, indexOf), placed);
  return {
    title: draft.title,
    composer: draft.composer ?? '',
    ticksPerQuarter: resolution,
    bars: layout.map((bar, index) => barOf(draft.bars[index]!, bar, draft.bars, placed, resolution)),
    notes: linked,
    indexOf: indexById(linked),
    directions: draft.bars.flatMap(({ words, dynamics, tempo, navigation = [] }, bar) => {
      const onset = ticks(layout[bar]!.start);
      return [
        ...(tempo === undefined ? [] : [{ kind: 'tempo' as const, text: `quarter=${tempo}`, bar, onset }]),
        ...(words === undefined ? [] : [{ kind: 'words' as const, text: words, bar, onset }]),
        ...(dynamics === undefined ? [] : [{ kind: 'dynamics' as const, text: dynamics, bar, onset }]),
        ...navigation.flatMap((sign) => {
          const text = NAVIGATION_WORDS[sign];
          const end = ticks(layout[bar]!.start + layout[bar]!.length);
          return text === undefined ? [] : [{ kind: 'words' as const, text, bar, onset: end }];
        }),
      ];
    }),
    positionsWritten: [],
    tempi: tempiOf(draft.bars, layout),
    ...(draft.tuning && { tuning: draft.tuning }),
    capo: draft.capo ?? 0,
  };
};

interface LaidBar {
  readonly start: number;
  readonly length: number;
  readonly meter: Meter;
  readonly key: number;
  readonly keyChange: boolean;
  readonly number: string;
  readonly pickup: boolean;
}

const layBars = (bars: readonly BarDraft[], resolution: number): readonly LaidBar[] => {
  let start = 0;
  let meter = bars[0]!.meter ?? DEFAULT_METER;
  let key = 0;
  let number = bars[0]!.pickup ? 0 : 1;
  return bars.map((bar) => {
    meter = bar.meter ?? meter;
    const keyChange = bar.key !== undefined && bar.key !== key;
    key = bar.key ?? key;
    const lengths = bar.voices.map((voice) =>
      voice.reduce((sum, event) => sum + lengthOf(event, resolution), 0),
    );
    const full = barLength(meter, resolution);
    const reach = Math.max(0, ...lengths);
    const pickup = reach > 0 && reach < full && (bar.pickup ?? false);
    const length = reach === 0 ? full : reach;
    const laid = { start, length, meter, key, keyChange, number: bar.number ?? String(number), pickup };
    start += length;
    number += 1;
    return laid;
  });
};

/** Notes in playing order: by onset, grace notes first, then by voice and pitch. */
const placeNotes = (
  bars: readonly BarDraft[],
  layout: readonly LaidBar[],
  resolution: number,
): readonly Placed[] => {
  const orders = new Map<string, number>();
  const placed: Placed[] = [];
  bars.forEach((bar, index) =>
    bar.voices.forEach((events, voiceIndex) => {
      const voice = String(voiceIndex + 1);
      let onset = layout[index]!.start;
      for (const event of events) {
        const order = orders.get(voice) ?? 0;
        orders.set(voice, order + 1);
        const length = lengthOf(event, resolution);
        event.pitches.forEach((pitch, place) =>
          placed.push({ pitch, place, event, bar: index, voice, order, onset, length }),
        );
        onset += length;
      }
    }),
  );
  const isGrace = ({ event }: Placed): number => Number(event.grace ?? false);
  return placed.toSorted(
    (a, b) =>
      a.onset - b.onset ||
      isGrace(b) - isGrace(a) ||
      (a.event.grace ? a.order - b.order : 0) ||
      Number(a.voice) - Number(b.voice) ||
      midiOf(a.pitch) - midiOf(b.pitch),
  );
};

const noteOf = (
  note: Placed,
  index: NoteIndex,
  bar: LaidBar,
  resolution: number,
  all: readonly Placed[],
): Note => {
  const { pitch, event, voice, onset, length, place } = note;
  const beat = quartersText(onset - bar.start, resolution);
  const midi = midiOf(pitch);
  const isLike = (other: Placed): boolean =>
    other.bar === note.bar && other.voice === voice && other.onset === onset && midiOf(other.pitch) === midi;
  let ordinal = 0;
  for (let before = index - 1; before >= 0 && all[before]!.onset === onset; before -= 1)
    if (isLike(all[before]!)) ordinal += 1;
  return {
    id: `${note.bar + 1}:${voice}:${beat}:${midi}:${ordinal}` as NoteId,
    index,
    bar: note.bar,
    voice,
    onset: ticks(onset),
    duration: ticks(length),
    written: written(pitch),
    sounding: pitch,
    midi,
    grace: event.grace ?? false,
    letRing: event.letRing ?? false,
    ...(event.harmonic && { harmonic: event.harmonic }),
    ...(event.strum && { strum: event.strum }),
    arpeggiated: false,
    articulations: event.articulations ?? [],
    ornaments: [],
    fingering: event.fingering?.[place] ?? {},
  };
};

const withTies = (
  notes: readonly Note[],
  placed: readonly Placed[],
  indexOf: ReadonlyMap<string, number>,
): readonly Note[] => {
  const tiedFrom = new Map<NoteIndex, NoteIndex>();
  placed.forEach(({ event, voice, order, bar, pitch }, index) => {
    if (!event.tiedOn) return;
    const to = event.pitches.length + 8;
    for (let place = 0; place < to; place += 1) {
      const next = indexOf.get(`${voice} ${order + 1} ${place}`);
      if (next === undefined) break;
      if (midiOf(placed[next]!.pitch) !== midiOf(pitch)) continue;
      tiedFrom.set(next, index);
      return;
    }
    throw new RangeError(`bar ${bar + 1}, voice ${voice}: a tie leads to no note of its pitch`);
  });
  return notes.map((note) => {
    const from = tiedFrom.get(note.index);
    return from === undefined ? note : { ...note, tiedFrom: from };
  });
};

/** Slurs join single notes of changing pitch that follow each other in a voice. */
const withSlurs = (notes: readonly Note[], placed: readonly Placed[]): readonly Note[] => {
  const slurredFrom = new Map<NoteIndex, NoteIndex>();
  const running = new Map<string, NoteIndex[]>();
  const close = (run: readonly NoteIndex[]): void => {
    const isTechnical =
      run.length <= LONGEST_TECHNICAL_SLUR &&
      run.every((note, place) => place === 0 || notes[note]!.midi !== notes[run[place - 1]!]!.midi);
    if (isTechnical) run.forEach((note, place) => place > 0 && slurredFrom.set(note, run[place - 1]!));
  };
  placed.forEach(({ event, voice }, index) => {
    const run = running.get(voice);
    if (run && event.pitches.length === 1) run.push(index);
    if (event.slur !== undefined && event.slur !== 'start' && run) {
      close(run);
      running.delete(voice);
    }
    if (event.slur === 'start' || event.slur === 'stop-and-start') running.set(voice, [index]);
  });
  return notes.map((note) => {
    const from = slurredFrom.get(note.index);
    return from === undefined || note.tiedFrom !== undefined
      ? note
      : { ...note, slurredFrom: { note: from, kind: 'slur' } };
  });
};

const barOf = (
  draft: BarDraft,
  laid: LaidBar,
  bars: readonly BarDraft[],
  placed: readonly Placed[],
  resolution: number,
): Bar => {
  const index = bars.indexOf(draft);
  const indices = new Map<EventDraft, NoteIndex[]>();
  placed.forEach(({ event, bar }, note) => {
    if (bar === index) indices.set(event, [...(indices.get(event) ?? []), note]);
  });
  return {
    index,
    number: laid.number,
    start: ticks(laid.start),
    length: ticks(laid.length),
    meter: laid.meter,
    meterChange: index === 0 || draft.meter !== undefined,
    key: laid.key,
    keyChange: laid.keyChange,
    mode: undefined,
    pickup: laid.pickup,
    repeatStart: draft.repeatStart ?? false,
    repeatEnd: draft.repeatEnd !== undefined,
    repeatTimes: draft.repeatEnd ?? 2,
    ...(draft.ending && { ending: draft.ending }),
    barline: draft.barline ?? (draft.repeatEnd === undefined ? 'regular' : 'final'),
    navigation: draft.navigation ?? [],
    voices: draft.voices.map((events, voice) => {
      let onset = laid.start;
      const own = events.map((event): VoiceEvent => {
        const duration = lengthOf(event, resolution);
        const made = eventOf(event, indices.get(event) ?? [], onset, duration);
        onset += duration;
        return made;
      });
      const end = laid.start + laid.length;
      return {
        name: String(voice + 1),
        events: onset < end ? [...own, spaceBetween(onset, end, resolution)] : own,
      };
    }),
  };
};

const eventOf = (
  event: EventDraft,
  notes: readonly NoteIndex[],
  onset: number,
  duration: number,
): VoiceEvent => ({
  kind: notes.length > 0 ? 'notes' : 'rest',
  notes,
  onset: ticks(onset),
  duration: ticks(duration),
  type: event.type,
  dots: event.dots ?? 0,
  ...(event.ratio && { ratio: event.ratio }),
  ...(event.tuplet && { tuplet: event.tuplet }),
  ...(event.stem && { stem: event.stem }),
  grace: event.grace ?? false,
  wholeBarRest: false,
  fermata: event.fermata ?? false,
});

const tempiOf = (bars: readonly BarDraft[], layout: readonly LaidBar[]): readonly TempoMark[] => {
  const marks = bars.flatMap(({ tempo }, index) =>
    tempo === undefined ? [] : [{ onset: ticks(layout[index]!.start), quartersPerMinute: tempo }],
  );
  const opening = { onset: ticks(0), quartersPerMinute: marks[0]?.quartersPerMinute ?? DEFAULT_TEMPO };
  return [opening, ...marks.filter(({ onset }) => onset > 0)];
};
