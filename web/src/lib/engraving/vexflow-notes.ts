import {
  Articulation,
  Beam,
  Dot,
  Fraction,
  GhostNote,
  Ornament,
  StaveNote,
  Stroke,
  Voice,
} from 'vexflow/core';
import { accidentalsOf, pulse } from '@oculon/core';
import { keepDigitRoom, widenDigitRoom } from './digit-room.ts';
import type { DrawnEvent, DrawnVoice } from './drawn-voice.ts';
import { addGraceNotes } from './grace-notes.ts';
import type { Bar, BarVoice, NoteIndex, Score, VoiceEvent } from './score-types.ts';
import { AFTER_LEDGER, isOnLedger } from './staff-lines.ts';
import { tupletsOf } from './tuplets.ts';
import { addAccidentals, DURATIONS, keyOf } from './vexflow-names.ts';

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

/** Ornaments we print, by their MusicXML names: what MusicXML calls a mordent has a stroke. */
const ORNAMENTS: Readonly<Record<string, string>> = {
  'trill-mark': 'tr',
  mordent: 'mordentInverted',
  'inverted-mordent': 'mordent',
  turn: 'turn',
  'inverted-turn': 'turnInverted',
};

const MAX_BEAM_SLOPE = 0.12;
/** Rests of two voices keep out of each other's way. */
const REST_LINES = { only: 'b/4', upper: 'a/5', lower: 'e/4' } as const;

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
  addAccidentals(note, event, accidentals);
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
  for (const sign of new Set(event.notes.flatMap((index) => score.notes[index]!.ornaments))) {
    const glyph = ORNAMENTS[sign];
    if (glyph) note.addModifier(new Ornament(glyph), 0);
  }
  if (event.notes.length > 1 && event.notes.some((index) => score.notes[index]!.arpeggiated))
    note.addStroke(0, new Stroke(Stroke.Type.ARPEGGIO_DIRECTIONLESS, { allVoices: false }));
  if (event.fermata) note.addModifier(new Articulation('a@a').setPosition(3), 0);
  return note;
};

const writtenBeams = (entries: readonly DrawnEvent[]): StaveNote[][] => {
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
  const notes: DrawnEvent[] = [];
  const graces: DrawnEvent[] = [];
  let leading: VoiceEvent[] = [];
  for (const event of source.events) {
    if (event.grace) {
      leading.push(event);
      continue;
    }
    if (event.kind === 'space') {
      const from = Math.max(event.onset, filled.from);
      const until = Math.min(event.onset + event.duration, filled.until);
      tickables.push(...ghosts(Math.max(0, until - from) / score.ticksPerQuarter));
      continue;
    }
    const drawn = makeNote(score, event, part, accidentals);
    if (leading.length > 0) {
      graces.push(...addGraceNotes(score, drawn, leading, accidentals));
      leading = [];
    }
    const before = notes.at(-1)?.event.notes.map((index) => score.notes[index]!);
    if (before?.some(isOnLedger)) widenDigitRoom(drawn, AFTER_LEDGER);
    tickables.push(drawn);
    notes.push({ event, drawn });
  }
  // Before the beams: a tuplet tells its notes how long they are.
  const tuplets = tupletsOf(notes);
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
  return { voice, beams, tuplets, notes, graces };
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
