import { keep, kept } from '../../browser-storage.svelte.ts';

const KEY = 'oculon-first-minute';

/** The way through the first minute: what is shown in each step, and what the teacher does to go on. */
export const MINUTE_STEPS = ['proposal', 'finger', 'gives-way', 'take-back', 'hard-bars', 'done'] as const;
export type MinuteStep = (typeof MINUTE_STEPS)[number];

interface MinuteWords {
  readonly title: string;
  readonly text: string;
}

export const MINUTE_WORDS: Readonly<Record<MinuteStep, MinuteWords>> = {
  proposal: {
    title: 'This is the proposal',
    text: 'Digits are the left hand, p i m a the right, circled digits the strings. The neck at the side shows the hand at the note with the amber frame. Press → to walk to the next note.',
  },
  finger: {
    title: 'Change one finger',
    text: 'The pills under the neck are the ways to take this note, by price: point at one to see on the sheet what it would change. Take one with a click, or press a finger: 1, 2, 3 or 4.',
  },
  'gives-way': {
    title: 'See what gives way',
    text: 'What you decided is underlined; notes that changed with it have a halo. The rest of the piece was planned again around your decision.',
  },
  'take-back': {
    title: 'Take it back',
    text: 'Ctrl Z takes the last deed back, with all that followed from it. Nothing is ever lost: the clock at the top shows everything that was done.',
  },
  'hard-bars': {
    title: 'Look at the hard bars',
    text: 'The strip over the music is a map: the higher, the harder. Choose “Hard bars” at the left, or press S until you are there.',
  },
  done: {
    title: 'That was the first minute',
    text: 'Go through the steps at the left in order, or as you like. K shows everything that can be done here, ? all keys. When it is done: Hand out.',
  },
};

/** Has the next piece that is opened begin with the first minute. */
export const askForFirstMinute = (): void => keep(KEY, 'wanted');

/** Where a teacher is in the first minute; nowhere, unless they asked for it. */
export class FirstMinute {
  step = $state<MinuteStep>();

  constructor() {
    if (kept(KEY) === 'wanted') this.step = 'proposal';
  }

  begin(): void {
    this.step = 'proposal';
  }

  next(): void {
    const { step } = this;
    const to = step && MINUTE_STEPS[MINUTE_STEPS.indexOf(step) + 1];
    if (to) this.step = to;
    else this.end();
  }

  /** Never again unless asked. */
  end(): void {
    this.step = undefined;
    keep(KEY, 'seen');
  }
}
