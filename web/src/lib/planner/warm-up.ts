import {
  DEFAULT_SETUP,
  EMPTY_FINGERING,
  planPiece,
  readMusicXml,
  type LeftFinger,
  type Plan,
  type Score,
} from '@oculon/core';

const note = (step: string, octave: number, duration: number, voice: number, type: string): string =>
  `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${duration}</duration><voice>${voice}</voice><type>${type}</type></note>`;

const bar = (number: number, melody: readonly (readonly [string, number])[]): string => {
  const attributes =
    '<attributes><divisions>2</divisions><time><beats>3</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef></attributes>';
  const upper = melody.map(([step, octave]) => note(step, octave, 1, 1, 'eighth')).join('');
  const bass = note(number % 2 === 0 ? 'A' : 'E', 3, 6, 2, 'half').replace('</type>', '</type><dot/>');
  return `<measure number="${number}">${number === 1 ? attributes : ''}${upper}<backup><duration>6</duration></backup>${bass}</measure>`;
};

const EXERCISE: readonly (readonly [string, number])[] = [
  ['E', 4],
  ['G', 4],
  ['C', 5],
  ['E', 5],
  ['D', 5],
  ['B', 4],
];

/** A little score that nobody sees. */
export const exerciseScore = (): Score => {
  const bars = Array.from({ length: 10 }, (_, index) =>
    bar(index + 1, [...EXERCISE.slice(index % 6), ...EXERCISE.slice(0, index % 6)]),
  );
  const read = readMusicXml(
    `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Guitar</part-name></score-part></part-list><part id="P1">${bars.join('')}</part></score-partwise>`,
  );
  if (!read.ok) throw new RangeError(read.error.message);
  return read.value.score;
};

/** Changes tried on the exercise: enough for the planner's code to be compiled in earnest. */
const TRIALS = 16;

/**
 * Plans the exercise and then changes of it, one each time it is asked to go on. The first piece a teacher opens,
 * and the first note changed in it, then meet code that is already compiled, which halves the wait.
 */
export function* warmUpSteps(score: Score): Generator<void> {
  let plan: Plan = planPiece(score, EMPTY_FINGERING, DEFAULT_SETUP);
  const start = plan;
  for (let trial = 0; trial < TRIALS; trial += 1) {
    yield;
    const note = score.notes[(trial * 7) % score.notes.length]!;
    const finger: LeftFinger = start.notes[note.index]!.finger === 2 ? 3 : 2;
    const choices = new Map([[note.id, { finger }]]);
    plan = planPiece(score, { ...EMPTY_FINGERING, choices }, DEFAULT_SETUP, { memory: plan.memory });
  }
}
