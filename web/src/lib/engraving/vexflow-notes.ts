import {
  Accidental,
  Beam,
  Dot,
  Fraction,
  GhostNote,
  GraceNote,
  GraceNoteGroup,
  Articulation,
  StaveNote,
  Tuplet,
  Voice,
} from 'vexflow/core';
import { accidentalsOf, pulse } from '@oculon/core';
import { keepDigitRoom } from './digit-room.ts';
import type { Bar, BarVoice, NoteIndex, NoteType, Score, VoiceEvent } from './score-types.ts';

/** Accidentals as VexFlow names them, by the alteration in semitones. */
const ACCIDENTALS: Readonly<Record<number, string>> = { [-2]: 'bb', [-1]: 'b', 0: 'n', 1: '#', 2: '##' };

/** One voice of a bar as VexFlow draws it. */
export interface DrawnVoice {
  readonly voice: Voice;
  readonly beams: readonly Beam[];
  readonly tuplets: readonly Tuplet[];
  readonly notes: readonly { readonly event: VoiceEvent; readonly drawn: StaveNote }[];
}

const DURATIONS: Readonly<Record<NoteType, string>> = {
  maxima: '1/2',
  long: '1/2',
  breve: '1/2',
  whole: 'w',
  half: 'h',
  quarter: 'q',
  eighth: '8',
  '16th': '16',
  '32nd': '32',
  '64th': '64',
  '128th': '128',
};

/** Note types from long to short with their length in quarters, for filling invisible space. */
const FILLERS: readonly (readonly [string, number])[] = [
  ['w', 4],
  ['h', 2],
  ['q', 1],
  ['8', 0.5],
  ['16', 0.25],
  ['32', 0.125],
  ['64', 0.0625],
];

/** Articulation signs we print, by their MusicXML names. */
const ARTICULATIONS: Readonly<Record<string, string>> = {
  staccato: 'a.',
  tenuto: 'a-',
  accent: 'a>',
  'strong-accent': 'a^',
  staccatissimo: 'av',
};

const MAX_BEAM_SLOPE = 0.12;
/** Rests of two voices keep out of each other's way. */
const REST_LINES = { only: 'b/4', upper: 'a/5', lower: 'e/4' } as const;

const keyOf = (score: Score, index: NoteIndex): string => {
  const { step, alter, octave } = score.notes[index]!.written;
  return `${step.toLowerCase()}${alter > 0 ? '#'.repeat(alter) : 'b'.repeat(-alter)}/${octave}`;
};

type Part = 'only' | 'upper' | 'lower';

const stemOf = (event: VoiceEvent, part: Part): number | undefined =>
  event.stem === 'up' || (event.stem !== 'down' && part === 'upper')
    ? 1
    : event.stem === 'down' || part === 'lower'
      ? -1
      : undefined;

const ghosts = (quarters: number): GhostNote[] => {
  const notes: GhostNote[] = [];
  let left = quarters;
  for (const [duration, length] of FILLERS)
    while (left >= length - 1e-6) {
      notes.push(new GhostNote({ duration }));
      left -= length;
    }
  return notes;
};

const makeNote = (
  score: Score,
  event: VoiceEvent,
  part: Part,
  accidentals: ReadonlyMap<NoteIndex, number>,
): StaveNote => {
  const stem = stemOf(event, part);
  const isRest = event.kind === 'rest';
  const note = new StaveNote({
    keys: isRest
      ? [event.wholeBarRest && part === 'only' ? 'd/5' : REST_LINES[part]]
      : event.notes.map((index) => keyOf(score, index)),
    duration: event.wholeBarRest ? 'w' : DURATIONS[event.type],
    type: isRest ? 'r' : 'n',
    dots: event.wholeBarRest ? 0 : event.dots,
    ...(stem === undefined ? { autoStem: true } : { stemDirection: stem }),
    ...(event.wholeBarRest && { alignCenter: true }),
  });
  event.notes.forEach((index, place) => {
    const alter = accidentals.get(index);
    if (alter !== undefined) note.addModifier(new Accidental(ACCIDENTALS[alter]!), place);
  });
  if (event.notes.length > 0)
    keepDigitRoom(
      note,
      event.notes.map((index) => score.notes[index]!),
      event.notes.some((index) => accidentals.has(index)),
    );
  if (event.dots > 0 && !event.wholeBarRest)
    for (let dot = 0; dot < event.dots; dot += 1) Dot.buildAndAttach([note], { all: true });
  const signs = new Set(event.notes.flatMap((index) => score.notes[index]!.articulations));
  for (const sign of signs) {
    const glyph = ARTICULATIONS[sign];
    // At the head, away from the stem, whoever chose its direction: strings are written at the other end.
    if (glyph)
      note.addModifier(new Articulation(glyph).setPosition(note.getStemDirection() === -1 ? 3 : 4), 0);
  }
  if (event.fermata) note.addModifier(new Articulation('a@a').setPosition(3), 0);
  return note;
};

const makeGraceGroup = (
  score: Score,
  events: readonly VoiceEvent[],
  accidentals: ReadonlyMap<NoteIndex, number>,
): GraceNoteGroup => {
  const notes = events.map((event) => {
    const note = new GraceNote({
      keys: event.notes.map((index) => keyOf(score, index)),
      duration: DURATIONS[event.type],
      slash: events.length === 1,
    });
    event.notes.forEach((index, place) => {
      const alter = accidentals.get(index);
      if (alter !== undefined) note.addModifier(new Accidental(ACCIDENTALS[alter]!), place);
    });
    return note;
  });
  const group = new GraceNoteGroup(notes, false);
  return notes.length > 1 ? group.beamNotes() : group;
};

/** Runs of events that form one tuplet: as marked, else filled up to a whole number of its normal notes. */
const tupletRuns = (
  entries: readonly { event: VoiceEvent; drawn: StaveNote }[],
): { notes: StaveNote[]; actual: number; normal: number }[] => {
  const runs: { notes: StaveNote[]; actual: number; normal: number }[] = [];
  let run: { notes: StaveNote[]; actual: number; normal: number; ticks: number; full: number } | undefined;
  for (const { event, drawn } of entries) {
    if (!event.ratio || event.grace) {
      run = undefined;
      continue;
    }
    const { actual, normal } = event.ratio;
    if (!run || run.actual !== actual || run.normal !== normal || event.tuplet === 'start')
      run = { notes: [], actual, normal, ticks: 0, full: event.duration * actual };
    if (run.notes.length === 0) runs.push(run);
    run.notes.push(drawn);
    run.ticks += event.duration;
    if (event.tuplet === 'stop' || run.ticks >= run.full - 1e-6) run = undefined;
  }
  return runs;
};

const writtenBeams = (entries: readonly { event: VoiceEvent; drawn: StaveNote }[]): StaveNote[][] => {
  const groups: StaveNote[][] = [];
  let group: StaveNote[] | undefined;
  for (const { event, drawn } of entries) {
    if (event.beam === 'begin') groups.push((group = [drawn]));
    else if (event.beam && group) group.push(drawn);
    if (event.beam === 'end') group = undefined;
  }
  return groups.filter((each) => each.length > 1);
};

/** From where to where something stands in a bar, in ticks: what is empty before and after it takes no room. */
interface Filled {
  readonly from: number;
  readonly until: number;
}

const filledPart = (voices: readonly BarVoice[]): Filled => {
  const events = voices.flatMap((voice) => voice.events.filter((event) => event.kind !== 'space'));
  return {
    from: Math.min(...events.map(({ onset }) => onset)),
    until: Math.max(...events.map(({ onset, duration }) => onset + duration)),
  };
};

const drawVoice = (
  score: Score,
  bar: Bar,
  source: BarVoice,
  part: Part,
  accidentals: ReadonlyMap<NoteIndex, number>,
  filled: Filled,
): DrawnVoice => {
  const tickables: (StaveNote | GhostNote)[] = [];
  const notes: { event: VoiceEvent; drawn: StaveNote }[] = [];
  let graces: VoiceEvent[] = [];
  for (const event of source.events) {
    if (event.grace) {
      graces.push(event);
      continue;
    }
    if (event.kind === 'space') {
      const from = Math.max(event.onset, filled.from);
      const until = Math.min(event.onset + event.duration, filled.until);
      tickables.push(...ghosts(Math.max(0, until - from) / score.ticksPerQuarter));
      continue;
    }
    const drawn = makeNote(score, event, part, accidentals);
    if (graces.length > 0) {
      drawn.addModifier(makeGraceGroup(score, graces, accidentals), 0);
      graces = [];
    }
    tickables.push(drawn);
    notes.push({ event, drawn });
  }
  const tuplets = tupletRuns(notes).map(
    ({ notes: members, actual, normal }) =>
      new Tuplet(members, { numNotes: actual, notesOccupied: normal, bracketed: false }),
  );
  const stems = part === 'only' ? {} : { stemDirection: part === 'upper' ? 1 : -1 };
  const written = writtenBeams(notes);
  const beat = pulse(bar.meter, score.ticksPerQuarter) / score.ticksPerQuarter;
  const beams =
    written.length > 0
      ? written.map((group) => new Beam(group, part === 'only'))
      : Beam.generateBeams(
          notes.map(({ drawn }) => drawn),
          {
            groups: [new Fraction(beat * 2, 8)],
            ...stems,
            ...(part === 'only' ? {} : { maintainStemDirections: true }),
          },
        );
  for (const beam of beams) {
    beam.renderOptions.maxSlope = MAX_BEAM_SLOPE;
    beam.renderOptions.minSlope = -MAX_BEAM_SLOPE;
  }
  const voice = new Voice({ numBeats: bar.meter.beats, beatValue: bar.meter.beatType }).setMode(
    Voice.Mode.SOFT,
  );
  voice.addTickables(tickables);
  return { voice, beams, tuplets, notes };
};

/** The voices of a bar, ready to be formatted; stems part where two voices share the staff. */
export const drawVoices = (score: Score, bar: Bar): readonly DrawnVoice[] => {
  const accidentals = accidentalsOf(score, bar);
  const sounding = bar.voices.filter((voice) => voice.events.some((event) => event.kind !== 'space'));
  const filled = filledPart(sounding);
  return sounding.map((source, index) =>
    drawVoice(
      score,
      bar,
      source,
      sounding.length === 1 ? 'only' : index === 0 ? 'upper' : 'lower',
      accidentals,
      filled,
    ),
  );
};
