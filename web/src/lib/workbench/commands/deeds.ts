import {
  stringSign,
  openPitch,
  pitchLabel,
  STRINGS,
  type Choice,
  type LeftFinger,
  type Note,
  type StringNumber,
  type StrokeFinger,
} from '@oculon/core';
import { planSetup } from '../../planner/setup.ts';
import { decisionOf, type PricedChoice } from '../choices.svelte.ts';
import type { Workbench } from '../workbench.svelte.ts';
import type { Command } from './command.ts';

/** Fret of the note at the caret on each string, undefined where the pitch does not lie. */
export const fretsAtCaret = ({ piece, caret, decisions }: Workbench): ReadonlyMap<StringNumber, number> => {
  const { score } = piece;
  const { note } = caret;
  if (!score || !note) return new Map();
  const { guitar } = planSetup(decisions.setup, score);
  return new Map(
    STRINGS.flatMap((string) => {
      const fret = note.midi - openPitch(guitar, string);
      return fret >= 0 && fret <= guitar.frets ? [[string, fret] as const] : [];
    }),
  );
};

const decide = (workbench: Workbench, change: Choice, onlyAsk: boolean | undefined): boolean => {
  const note = workbench.caret.note;
  if (!note || !workbench.planned.plan || workbench.planned.plan.notes[note.index]?.tied) return false;
  if (!onlyAsk) workbench.decisions.choose(note, change);
  return true;
};

const chosenString = (workbench: Workbench): number | null | undefined =>
  workbench.caret.note && workbench.decisions.fingering.choices.get(workbench.caret.note.id)?.string;

export const setFinger =
  (finger: LeftFinger): Command =>
  (workbench, onlyAsk) => {
    const frets = fretsAtCaret(workbench);
    const isOpenSomewhere = [...frets.values()].includes(0);
    if (finger === 0 && !isOpenSomewhere) {
      if (!onlyAsk && workbench.caret.note)
        workbench.notice = `${pitchLabel(workbench.caret.note.sounding)} is no open string.`;
      return false;
    }
    // A string decided before gives way when it contradicts the finger.
    const string = chosenString(workbench) as StringNumber | null | undefined;
    const contradicts = string != null && (frets.get(string) === 0) !== (finger === 0);
    return decide(workbench, { finger, ...(contradicts && { string: undefined }) }, onlyAsk);
  };

export const setString =
  (string: StringNumber): Command =>
  (workbench, onlyAsk) => {
    const fret = fretsAtCaret(workbench).get(string);
    if (fret === undefined) {
      if (!onlyAsk && workbench.caret.note)
        workbench.notice = `${pitchLabel(workbench.caret.note.sounding)} does not lie on ${stringSign(string)}.`;
      return false;
    }
    const note = workbench.caret.note;
    const finger = note && workbench.decisions.fingering.choices.get(note.id)?.finger;
    const contradicts = finger != null && (finger === 0) !== (fret === 0);
    return decide(workbench, { string, ...(contradicts && { finger: undefined }) }, onlyAsk);
  };

export const setPluck =
  (pluck: StrokeFinger): Command =>
  (workbench, onlyAsk) =>
    decide(workbench, { pluck }, onlyAsk);

/** Keys for the ways to take a note, cheapest first. */
export const WAY_KEYS = ['q', 'w', 'e', 'r', 't'] as const;

/** Takes a priced choice for the note at the caret. */
export const take = (workbench: Workbench, choice: PricedChoice): boolean =>
  decide(workbench, decisionOf(choice), false);

export const takeWayNumber =
  (number: number): Command =>
  (workbench, onlyAsk) => {
    const way = workbench.choices.ways[number - 1];
    if (!way) return false;
    return onlyAsk ? true : take(workbench, { hand: 'left', way });
  };

/** Takes the choice that is pointed at. */
export const takePointed: Command = (workbench, onlyAsk) => {
  const { pointed } = workbench.choices;
  if (!pointed) return false;
  return onlyAsk ? true : take(workbench, pointed);
};

/** Points at the next choice for the note, or the one before. */
export const pointBy =
  (direction: 1 | -1): Command =>
  (workbench, onlyAsk) =>
    workbench.choices.pointBy(direction, onlyAsk);

/** Looks at the plan again, or selects nothing more. */
export const letGo: Command = ({ choices, caret }, onlyAsk) => {
  if (!choices.pointed && !caret.hasSelection) return false;
  if (!onlyAsk) {
    if (choices.pointed) choices.point(undefined);
    else caret.collapse();
  }
  return true;
};

/** What leaves a note to the planner, also what the file had fixed; undefined when it is free already. */
const freeing = (workbench: Workbench, { id, fingering: source }: Note): Choice | undefined => {
  const decided = workbench.decisions.fingering.choices.get(id);
  const free: Choice = {
    string: source.string === undefined ? undefined : null,
    finger: source.finger === undefined ? undefined : null,
    pluck: source.pluck === undefined ? undefined : null,
    remedy: undefined,
  };
  const isFree = (Object.keys(free) as (keyof Choice)[]).every((field) => decided?.[field] === free[field]);
  return isFree ? undefined : free;
};

/** Decides notes of the selection, or the one at the caret, as one deed. */
const decideEach = (
  workbench: Workbench,
  onlyAsk: boolean | undefined,
  changeOf: (note: Note) => Choice | undefined,
): boolean => {
  const changes = workbench.caret.notes.flatMap((note) => {
    const change = changeOf(note);
    return change ? [[note.id, change] as const] : [];
  });
  if (changes.length === 0) return false;
  if (!onlyAsk) workbench.decisions.chooseAll(changes);
  return true;
};

/** Leaves the notes to the planner again. */
export const release: Command = (workbench, onlyAsk) =>
  decideEach(workbench, onlyAsk, (note) => freeing(workbench, note));

/** Fixes the notes as the plan takes them: nothing that is decided elsewhere changes them any more. */
export const fixAsPlanned: Command = (workbench, onlyAsk) =>
  decideEach(workbench, onlyAsk, (note) => {
    const plan = workbench.planned.plan?.notes[note.index];
    if (!plan || plan.tied || plan.string === undefined || plan.finger === undefined) return undefined;
    const decided = workbench.decisions.fingering.choices.get(note.id);
    const change: Choice = {
      string: plan.string as StringNumber,
      finger: plan.finger as LeftFinger,
      ...(plan.pluck !== undefined && { pluck: plan.pluck as StrokeFinger }),
    };
    const isFixed = (Object.keys(change) as (keyof Choice)[]).every(
      (field) => decided?.[field] === change[field],
    );
    return isFixed ? undefined : change;
  });

/** Looks for other ways of the bars that are selected, or of the bar at the caret. */
export const searchOtherWays: Command = ({ otherWays, caret }, onlyAsk) => {
  if (!otherWays.canSearch) return false;
  if (!onlyAsk) void otherWays.search(caret.bars);
  return true;
};

/** Asks for a new mark at the caret. */
export const newMark: Command = (workbench, onlyAsk) => {
  if (!workbench.caret.note || !workbench.planned.plan) return false;
  if (!onlyAsk) {
    workbench.view.step = 'details';
    workbench.marks.askFor();
  }
  return true;
};

export const undo: Command = (workbench, onlyAsk) => {
  if (!workbench.decisions.history.canUndo) return false;
  if (!onlyAsk) workbench.decisions.undo();
  return true;
};

export const redo: Command = (workbench, onlyAsk) => {
  if (!workbench.decisions.history.canRedo) return false;
  if (!onlyAsk) workbench.decisions.redo();
  return true;
};
