import { GraceNote, GraceNoteGroup, type StaveNote } from 'vexflow/core';
import { keepDigitRoom, widenDigitRoom } from './digit-room.ts';
import type { DrawnEvent } from './drawn-voice.ts';
import type { NoteIndex, Score, VoiceEvent } from './score-types.ts';
import { addAccidentals, DURATIONS, keyOf } from './vexflow-names.ts';

/** What the engraver leaves between grace notes and what follows them, in px. */
const AFTER_GROUP = 4;
/** The digit of the note that they lead to stands clear of their heads: more room for it, in px. */
const BEFORE_MAIN = 4;

/** Sets grace notes before the note that they lead to; one alone is struck through. */
export const addGraceNotes = (
  score: Score,
  main: StaveNote,
  events: readonly VoiceEvent[],
  accidentals: ReadonlyMap<NoteIndex, number>,
): readonly DrawnEvent[] => {
  const graces = events.map((event) => {
    const drawn = new GraceNote({
      keys: event.notes.map((index) => keyOf(score, index)),
      duration: DURATIONS[event.type],
      slash: events.length === 1,
    });
    addAccidentals(drawn, event, accidentals);
    keepDigitRoom(
      drawn,
      event.notes.map((index) => score.notes[index]!),
      event.notes.some((index) => accidentals.has(index)),
    );
    return { event, drawn };
  });
  const group = new GraceNoteGroup(
    graces.map(({ drawn }) => drawn),
    false,
  );
  widenDigitRoom(main, BEFORE_MAIN);
  main.addModifier(graces.length > 1 ? group.beamNotes() : group, 0);
  return graces;
};

/** What grace notes before a note take of the room before it, in px. */
export const graceRoomOf = (drawn: StaveNote): number => {
  const groups = drawn.getModifierContext()?.getMembers(GraceNoteGroup.CATEGORY) ?? [];
  return groups.length === 0 ? 0 : Math.max(...groups.map((each) => each.getWidth())) + AFTER_GROUP;
};
