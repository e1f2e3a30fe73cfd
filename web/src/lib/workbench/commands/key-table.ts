import { STRINGS, stringSign } from '@oculon/core';
import { LANE_NAMES, LANES } from '../lanes/lane.ts';
import { STEP_WORDS, WORK_STEPS } from '../steps/work-steps.ts';
import type { Workbench } from '../workbench.svelte.ts';
import type { Command } from './command.ts';
import {
  fixAsPlanned,
  letGo,
  newMark,
  pointBy,
  redo,
  release,
  searchOtherWays,
  setFinger,
  setPluck,
  setString,
  takePointed,
  takeWayNumber,
  undo,
  WAY_KEYS,
} from './deeds.ts';
import { goToStep, stepBy, toggleLane, turnLayout, zoomBy } from './looks.ts';
import {
  askNothing,
  layBarre,
  layDown,
  letRing,
  noBarre,
  noOpenStrings,
  stayInPosition,
  stopAsWritten,
  takeUp,
} from './passage-deeds.ts';
import { selectBy, toFinding, walkBy, type Stride } from './walks.ts';

export const KEY_GROUPS = ['Walk', 'Select', 'Left hand', 'Right hand', 'Work', 'Look'] as const;

/** A deed with the keys that do it, if any; the list of commands and the sheet of keys are made from these. */
export interface KeyBinding {
  readonly group: (typeof KEY_GROUPS)[number];
  /** As they are told to a teacher; empty for what is only in the list. */
  readonly keys: string;
  readonly does: string;
  readonly matches: (event: KeyboardEvent) => boolean;
  readonly command: Command;
}

type Match = KeyBinding['matches'];
const plain = (event: KeyboardEvent): boolean => !event.ctrlKey && !event.metaKey && !event.altKey;
const onKey =
  (key: string, shift = false): Match =>
  (event) =>
    plain(event) && event.shiftKey === shift && event.key.toLowerCase() === key.toLowerCase();
/** The place on the keyboard counts, so that layouts do not matter. */
const onDigit =
  (digit: number, shift = false): Match =>
  (event) =>
    plain(event) &&
    event.shiftKey === shift &&
    (event.code === `Digit${digit}` || event.code === `Numpad${digit}`);
const onSign =
  (...signs: readonly string[]): Match =>
  (event) =>
    plain(event) && signs.includes(event.key);
const onControl =
  (key: string, shift: boolean): Match =>
  (event) =>
    (event.ctrlKey || event.metaKey) && event.shiftKey === shift && event.key.toLowerCase() === key;
const either =
  (one: Match, other: Match): Match =>
  (event) =>
    one(event) || other(event);

const bind = (
  group: KeyBinding['group'],
  keys: string,
  does: string,
  matches: Match,
  command: Command,
): KeyBinding => ({ group, keys, does, matches, command });

/** One key there, the same with Shift back. */
const thereAndBack = (letter: string, stride: Stride, name: string): readonly KeyBinding[] => [
  bind('Walk', letter, `next ${name}`, onKey(letter), walkBy(stride, 1)),
  bind('Walk', `Shift ${letter}`, `${name} before`, onKey(letter, true), walkBy(stride, -1)),
];

export const KEY_BINDINGS: readonly KeyBinding[] = [
  bind('Walk', '→', 'next note', onKey('ArrowRight'), walkBy('note', 1)),
  bind('Walk', '←', 'note before', onKey('ArrowLeft'), walkBy('note', -1)),
  bind('Walk', '↑', 'higher note struck with it', onKey('ArrowUp'), walkBy('chord', 1)),
  bind('Walk', '↓', 'lower note struck with it', onKey('ArrowDown'), walkBy('chord', -1)),
  bind('Walk', 'Page ↓', 'next bar', onKey('PageDown'), walkBy('bar', 1)),
  bind('Walk', 'Page ↑', 'bar before', onKey('PageUp'), walkBy('bar', -1)),
  ...thereAndBack('V', 'voice', 'note of the voice'),
  ...thereAndBack('X', 'beat', 'beat'),
  ...thereAndBack('O', 'phrase', 'phrase'),
  ...thereAndBack('J', 'shift', 'shift'),
  ...thereAndBack('H', 'hardBar', 'hard bar'),
  bind('Walk', 'F', 'next finding', onKey('f'), toFinding(1)),
  bind('Walk', 'Shift F', 'finding before', onKey('f', true), toFinding(-1)),

  bind('Select', 'Shift →', 'select to the next note', onKey('ArrowRight', true), selectBy('note', 1)),
  bind('Select', 'Shift ←', 'select to the note before', onKey('ArrowLeft', true), selectBy('note', -1)),
  bind('Select', 'Shift Page ↓', 'select to the next bar', onKey('PageDown', true), selectBy('bar', 1)),
  bind('Select', 'Shift Page ↑', 'select to the bar before', onKey('PageUp', true), selectBy('bar', -1)),
  bind('Select', 'G', 'fix what is selected as it is planned', onKey('g'), fixAsPlanned),
  bind(
    'Select',
    'Delete',
    'leave what is selected to Oculon',
    either(onKey('Delete'), onKey('Backspace')),
    release,
  ),
  bind('Select', 'Escape', 'let go', onKey('Escape'), letGo),
  bind('Select', 'U', 'take up the fingering of the bars', onKey('u'), takeUp),
  bind('Select', 'Shift U', 'lay it on the bars from here on', onKey('u', true), layDown),
  ...(
    [
      ['stay in this position', stayInPosition],
      ['no open strings', noOpenStrings],
      ['let it ring', letRing],
      ['stop as written', stopAsWritten],
      ['lay a barre in this position', layBarre],
      ['no barre', noBarre],
      ['ask nothing more', askNothing],
    ] as const
  ).map(([does, command]) => bind('Select', '', `bars: ${does}`, () => false, command)),

  ...([0, 1, 2, 3, 4] as const).map((finger) =>
    bind(
      'Left hand',
      String(finger),
      finger === 0 ? 'open string' : `finger ${finger}`,
      onDigit(finger),
      setFinger(finger),
    ),
  ),
  ...STRINGS.map((string) =>
    bind(
      'Left hand',
      `Shift ${string}`,
      `string ${stringSign(string)}`,
      onDigit(string, true),
      setString(string),
    ),
  ),
  ...WAY_KEYS.map((key, index) =>
    bind(
      'Left hand',
      key.toUpperCase(),
      `way ${index + 1}, counted from the best`,
      onKey(key),
      takeWayNumber(index + 1),
    ),
  ),
  ...(['p', 'i', 'm', 'a'] as const).map((pluck) =>
    bind('Right hand', pluck, `pluck with ${pluck}`, onKey(pluck), setPluck(pluck)),
  ),

  bind('Work', 'Y', 'show what the next choice would change', onKey('y'), pointBy(1)),
  bind('Work', 'Shift Y', 'show what the choice before would change', onKey('y', true), pointBy(-1)),
  bind('Work', 'Enter', 'take the choice that is shown', onKey('Enter'), takePointed),
  bind('Work', 'Z', 'other ways of what is selected', onKey('z'), searchOtherWays),
  bind('Work', 'N', 'new mark at the note', onKey('n'), newMark),
  bind('Work', 'Ctrl Z', 'undo', onControl('z', false), undo),
  bind('Work', 'Ctrl Shift Z', 'redo', either(onControl('z', true), onControl('y', false)), redo),

  bind('Look', 'S', 'next step of the work', onKey('s'), stepBy(1)),
  bind('Look', 'Shift S', 'step before', onKey('s', true), stepBy(-1)),
  ...WORK_STEPS.map((step) =>
    bind('Look', '', `step: ${STEP_WORDS[step].name}`, () => false, goToStep(step)),
  ),
  ...LANES.map((lane, index) =>
    bind(
      'Look',
      String(7 + index),
      `show or hide the lane: ${LANE_NAMES[lane]}`,
      onDigit(7 + index),
      toggleLane(lane),
    ),
  ),
  bind('Look', '6', 'pages, or one line without end', onDigit(6), turnLayout),
  bind('Look', '+', 'larger', onSign('+', '='), zoomBy(1)),
  bind('Look', '−', 'smaller', onSign('-', '−'), zoomBy(-1)),
];

/** Performs what a key is bound to; true when the key was one of ours. */
export const handleKey = (workbench: Workbench, event: KeyboardEvent): boolean => {
  const binding = KEY_BINDINGS.find((each) => each.matches(event));
  if (!binding) return false;
  binding.command(workbench);
  return true;
};
