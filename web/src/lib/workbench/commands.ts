import {
  stringSign,
  openPitch,
  pitchLabel,
  STRINGS,
  type Choice,
  type LeftFinger,
  type PricedPlacement,
  type StringNumber,
  type StrokeFinger,
} from '@oculon/core';
import { planSetup } from '../planner/setup.ts';
import { stepByBar, stepInChord, stepInTime } from './steps.ts';
import type { Workbench } from './workbench.svelte.ts';

/** Tells whether it can be done now and, unless only asked, does it. */
export type Command = (workbench: Workbench, onlyAsk?: boolean) => boolean;

const move =
  (step: typeof stepInTime, direction: 1 | -1): Command =>
  (workbench, onlyAsk) => {
    const { score } = workbench.piece;
    const { index: caret } = workbench.caret;
    if (!score) return false;
    const to = step(score, caret, direction);
    if (to === caret) return false;
    if (!onlyAsk) workbench.caret.index = to;
    return true;
  };

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

/** Takes the note at the caret in one of its priced ways. */
export const takeWay = (workbench: Workbench, { string, finger }: PricedPlacement): boolean =>
  decide(workbench, { string: string as StringNumber, finger }, false);

const takeWayNumber =
  (number: number): Command =>
  (workbench, onlyAsk) => {
    const way = workbench.caret.ways[number - 1];
    if (!way) return false;
    return onlyAsk ? true : takeWay(workbench, way);
  };

/** Leaves the note at the caret to the planner again, also what the file had fixed. */
export const release: Command = (workbench, onlyAsk) => {
  const note = workbench.caret.note;
  if (!note) return false;
  const { fingering: source } = note;
  const decided = workbench.decisions.fingering.choices.get(note.id);
  const freeing: Choice = {
    string: source.string === undefined ? undefined : null,
    finger: source.finger === undefined ? undefined : null,
    pluck: source.pluck === undefined ? undefined : null,
    remedy: undefined,
  };
  const isFree = (Object.keys(freeing) as (keyof Choice)[]).every(
    (field) => decided?.[field] === freeing[field],
  );
  return isFree ? false : decide(workbench, freeing, onlyAsk);
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

/** A key and what it does; `code` is the place on the keyboard, so that layouts do not matter. */
export interface KeyBinding {
  readonly keys: string;
  readonly does: string;
  readonly matches: (event: KeyboardEvent) => boolean;
  readonly command: Command;
  readonly group: 'Walk' | 'Left hand' | 'Right hand' | 'Work';
}

const plain = (event: KeyboardEvent): boolean => !event.ctrlKey && !event.metaKey && !event.altKey;
const onKey = (key: string) => (event: KeyboardEvent) => plain(event) && !event.shiftKey && event.key === key;
const onDigit = (digit: number, shift: boolean) => (event: KeyboardEvent) =>
  plain(event) &&
  event.shiftKey === shift &&
  (event.code === `Digit${digit}` || event.code === `Numpad${digit}`);
const newMark: Command = (workbench, onlyAsk) => {
  if (!workbench.caret.note || !workbench.planned.plan) return false;
  if (!onlyAsk) workbench.marks.askFor();
  return true;
};

const toFinding =
  (direction: 1 | -1): Command =>
  (workbench, onlyAsk) => {
    const note = workbench.findings.noteFromCaret(direction);
    if (note === undefined) return false;
    if (!onlyAsk) workbench.caret.index = note;
    return true;
  };

const onControl = (key: string, shift: boolean) => (event: KeyboardEvent) =>
  (event.ctrlKey || event.metaKey) && event.shiftKey === shift && event.key.toLowerCase() === key;

export const KEY_BINDINGS: readonly KeyBinding[] = [
  { group: 'Walk', keys: '→', does: 'next note', matches: onKey('ArrowRight'), command: move(stepInTime, 1) },
  {
    group: 'Walk',
    keys: '←',
    does: 'note before',
    matches: onKey('ArrowLeft'),
    command: move(stepInTime, -1),
  },
  {
    group: 'Walk',
    keys: '↑',
    does: 'higher note struck with it',
    matches: onKey('ArrowUp'),
    command: move(stepInChord, 1),
  },
  {
    group: 'Walk',
    keys: '↓',
    does: 'lower note struck with it',
    matches: onKey('ArrowDown'),
    command: move(stepInChord, -1),
  },
  {
    group: 'Walk',
    keys: 'Page ↓',
    does: 'next bar',
    matches: onKey('PageDown'),
    command: move(stepByBar, 1),
  },
  {
    group: 'Walk',
    keys: 'Page ↑',
    does: 'bar before',
    matches: onKey('PageUp'),
    command: move(stepByBar, -1),
  },
  ...([0, 1, 2, 3, 4] as const).map((finger): KeyBinding => ({
    group: 'Left hand',
    keys: String(finger),
    does: finger === 0 ? 'open string' : `finger ${finger}`,
    matches: onDigit(finger, false),
    command: setFinger(finger),
  })),
  ...STRINGS.map((string): KeyBinding => ({
    group: 'Left hand',
    keys: `Shift ${string}`,
    does: `string ${stringSign(string)}`,
    matches: onDigit(string, true),
    command: setString(string),
  })),
  ...WAY_KEYS.map((key, index): KeyBinding => ({
    group: 'Left hand',
    keys: key.toUpperCase(),
    does: `way ${index + 1} of the list`,
    matches: onKey(key),
    command: takeWayNumber(index + 1),
  })),
  ...(['p', 'i', 'm', 'a'] as const).map((pluck): KeyBinding => ({
    group: 'Right hand',
    keys: pluck,
    does: `pluck with ${pluck}`,
    matches: onKey(pluck),
    command: setPluck(pluck),
  })),
  {
    group: 'Work',
    keys: 'N',
    does: 'new mark at the note',
    matches: onKey('n'),
    command: newMark,
  },
  {
    group: 'Work',
    keys: 'F',
    does: 'next finding',
    matches: onKey('f'),
    command: toFinding(1),
  },
  {
    group: 'Work',
    keys: 'Shift F',
    does: 'finding before',
    matches: (event) => event.shiftKey && event.key === 'F' && !event.ctrlKey && !event.metaKey,
    command: toFinding(-1),
  },
  {
    group: 'Work',
    keys: 'Delete',
    does: 'leave the note to Oculon',
    matches: (event) => onKey('Delete')(event) || onKey('Backspace')(event),
    command: release,
  },
  { group: 'Work', keys: 'Ctrl Z', does: 'undo', matches: onControl('z', false), command: undo },
  {
    group: 'Work',
    keys: 'Ctrl Shift Z',
    does: 'redo',
    matches: (event) => onControl('z', true)(event) || onControl('y', false)(event),
    command: redo,
  },
];

/** Performs what a key is bound to; true when the key was one of ours. */
export const handleKey = (workbench: Workbench, event: KeyboardEvent): boolean => {
  const binding = KEY_BINDINGS.find((each) => each.matches(event));
  if (!binding) return false;
  binding.command(workbench);
  return true;
};
