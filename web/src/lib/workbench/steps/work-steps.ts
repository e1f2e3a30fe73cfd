import type { Finding, FindingCode } from '@oculon/core';
import type { Lane } from '../lanes/lane.ts';

/** The order in which a teacher goes through a piece. Handbook §2. */
export const WORK_STEPS = [
  'read',
  'shapes',
  'left',
  'shifts',
  'right',
  'details',
  'hard',
  'hand-over',
] as const;
export type WorkStep = (typeof WORK_STEPS)[number];

interface StepWords {
  readonly name: string;
  /** What is done in it. */
  readonly purpose: string;
}

export const STEP_WORDS: Readonly<Record<WorkStep, StepWords>> = {
  read: { name: 'Read', purpose: 'Phrases, returns, and for whom and on what it is fingered' },
  shapes: { name: 'Shapes', purpose: 'The notes of each bar as one shape of the hand' },
  left: { name: 'Left hand', purpose: 'What is held, by which finger, and other ways' },
  shifts: { name: 'Shifts', purpose: 'When the hand moves, on what it rides, what is lost meanwhile' },
  right: { name: 'Right hand', purpose: 'Thumb, patterns, alternation, strokes' },
  details: { name: 'Details', purpose: 'Slurs, barres, damping, marks' },
  hard: { name: 'Hard bars', purpose: 'What will take the student longest, finger by finger' },
  'hand-over': { name: 'Hand over', purpose: 'What the student gets, and what came back' },
};

/** Lanes that a step brings up until the teacher has chosen otherwise. */
export const LANES_OF_STEP: Readonly<Record<WorkStep, readonly Lane[]>> = {
  read: [],
  shapes: [],
  left: ['hand'],
  shifts: ['hand'],
  right: ['pluck'],
  details: ['ringing'],
  hard: ['hand'],
  'hand-over': [],
};

const STEP_OF_FINDING: Readonly<Record<FindingCode, WorkStep>> = {
  'return-differs': 'read',
  'search-not-exhaustive': 'read',
  'position-mark-missing': 'read',
  'source-unplayable': 'read',
  'unplayable-note': 'shapes',
  'wide-stretch': 'shapes',
  'finger-needed-twice': 'shapes',
  'lock-not-kept': 'left',
  'held-note-cut': 'left',
  'rule-not-kept': 'left',
  'lower-on-higher-string': 'left',
  'open-for-stopped': 'left',
  'stopped-for-open': 'left',
  'gap-at-shift': 'shifts',
  'upbeat-torn': 'shifts',
  'dotted-shrinks': 'shifts',
  'jump-not-made': 'shifts',
  'pluck-lock-not-kept': 'right',
  'school-not-kept': 'right',
  'pattern-not-kept': 'right',
  'crossing-where-busy': 'right',
  'repeat-at-speed': 'right',
  'barre-too-long': 'details',
  'slur-trouble': 'details',
  'string-left-ringing': 'details',
};

/** The step in which a finding is worked on. */
export const stepOf = ({ code }: Pick<Finding, 'code'>): WorkStep => STEP_OF_FINDING[code];
