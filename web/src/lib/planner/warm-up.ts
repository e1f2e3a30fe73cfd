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

const MELODY: readonly (readonly [string, number])[] = [
  ['E', 4],
  ['G', 4],
  ['C', 5],
  ['E', 5],
  ['D', 5],
  ['B', 4],
];
const BROKEN_CHORD: readonly (readonly [string, number])[] = [
  ['C', 4],
  ['G', 4],
  ['C', 5],
  ['E', 5],
  ['C', 5],
  ['G', 4],
];

/** A bar with a held bass, as an arpeggio or as a line; every third returns, so that likeness is looked for too. */
const bar = (index: number): string => {
  const attributes =
    '<attributes><divisions>2</divisions><time><beats>3</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef></attributes>';
  const notes = index % 3 === 1 ? BROKEN_CHORD : MELODY;
  const turn = index % 3 === 2 ? 0 : index % 6;
  const upper = [...notes.slice(turn), ...notes.slice(0, turn)]
    .map(([step, octave]) => note(step, octave, 1, 1, 'eighth'))
    .join('');
  const bass = note(index % 2 === 0 ? 'E' : 'A', 3, 6, 2, 'half').replace('</type>', '</type><dot/>');
  const held = index % 3 === 0 ? `<backup><duration>6</duration></backup>${bass}` : '';
  return `<measure number="${index + 1}">${index === 0 ? attributes : ''}${upper}${held}</measure>`;
};

/** A little score that nobody sees. */
export const exerciseScore = (): Score => {
  const bars = Array.from({ length: 12 }, (_, index) => bar(index));
  const read = readMusicXml(
    `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Guitar</part-name></score-part></part-list><part id="P1">${bars.join('')}</part></score-partwise>`,
  );
  if (!read.ok) throw new RangeError(read.error.code);
  return read.value.score;
};

/** Times the exercise is read and planned from nothing, as the first piece will be, and changes tried on it afterwards. */
const PLANS = 8;
const CHANGES = 40;

/**
 * Reads and plans the exercise and then changes of it, one each time it is asked to go on. The first piece a teacher opens,
 * and the first note changed in it, then meet code that is already compiled, which halves the wait.
 */
export function* warmUpSteps(): Generator<void> {
  for (let again = 1; again < PLANS; again += 1) {
    planPiece(exerciseScore(), EMPTY_FINGERING, DEFAULT_SETUP);
    yield;
  }
  const score = exerciseScore();
  let plan: Plan = planPiece(score, EMPTY_FINGERING, DEFAULT_SETUP);
  const start = plan;
  for (let trial = 0; trial < CHANGES; trial += 1) {
    yield;
    const note = score.notes[(trial * 7) % score.notes.length]!;
    const finger: LeftFinger = start.notes[note.index]!.finger === 2 ? 3 : 2;
    const choices = new Map([[note.id, { finger }]]);
    plan = planPiece(score, { ...EMPTY_FINGERING, choices }, DEFAULT_SETUP, { memory: plan.memory });
  }
}
