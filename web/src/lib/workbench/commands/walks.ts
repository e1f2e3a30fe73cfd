import { COMFORTABLE_LEVEL, type NoteIndex, type Score } from '@oculon/core';
import { stepByBar, stepByBeat, stepInChord, stepInTime, stepInVoice, stepToOnset } from '../caret-steps.ts';
import { stepOf } from '../steps/work-steps.ts';
import type { Workbench } from '../workbench.svelte.ts';
import type { Command } from './command.ts';

type Step = (score: Score, from: NoteIndex, direction: 1 | -1) => NoteIndex;

const walk =
  (stepFor: (workbench: Workbench) => Step, direction: 1 | -1, selects = false): Command =>
  (workbench, onlyAsk) => {
    const { score } = workbench.piece;
    const { caret } = workbench;
    if (!score) return false;
    const to = stepFor(workbench)(score, caret.index, direction);
    if (to === caret.index) return false;
    if (!onlyAsk) {
      if (selects) caret.extendTo(to);
      else caret.index = to;
    }
    return true;
  };

const toOnsets =
  (onsetsOf: (workbench: Workbench) => readonly number[]) =>
  (workbench: Workbench): Step =>
  (score, from, direction) =>
    stepToOnset(score, from, direction, onsetsOf(workbench));

const STEPS = {
  note: () => stepInTime,
  chord: () => stepInChord,
  bar: () => stepByBar,
  beat: () => stepByBeat,
  voice: () => stepInVoice,
  phrase: toOnsets(({ piece, planned }) =>
    (planned.movements?.phrases ?? []).flatMap(({ from }) => piece.score?.bars[from]?.start ?? []),
  ),
  shift: toOnsets(({ planned }) => (planned.plan?.shifts ?? []).map(({ onset }) => onset)),
  hardBar: toOnsets(({ piece, planned }) =>
    (planned.plan?.difficulty ?? [])
      .filter(({ level }) => level > COMFORTABLE_LEVEL)
      .flatMap(({ bar }) => piece.score?.bars[bar]?.start ?? []),
  ),
} satisfies Readonly<Record<string, (workbench: Workbench) => Step>>;
export type Stride = keyof typeof STEPS;

/** Walks to the next note, bar, shift … or the one before. */
export const walkBy = (stride: Stride, direction: 1 | -1): Command => walk(STEPS[stride], direction);

/** Walks and selects what lies between. */
export const selectBy = (stride: Stride, direction: 1 | -1): Command => walk(STEPS[stride], direction, true);

/** Walks to an open finding and brings up the step in which it is worked on. */
export const toFinding =
  (direction: 1 | -1): Command =>
  (workbench, onlyAsk) => {
    const found = workbench.findings.fromCaret(direction);
    if (!found) return false;
    if (!onlyAsk) {
      workbench.caret.index = found.note;
      workbench.view.step = stepOf(found.finding);
    }
    return true;
  };
