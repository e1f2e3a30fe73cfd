import type { Fingering } from '../fingering/fingering.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import type { PitchSpelling } from '../music/pitch.ts';
import type { Performance } from '../performance/performance.ts';
import { noteById, type Score } from '../score/score.ts';
import type { Shift } from '../technique/shifts.ts';
import type { SoundFinding } from './finding.ts';

/** From this share of stopped notes on, a source counts as fingered: its readers rely on what it writes. Our own value. */
const FINGERED_SHARE = 0.2;

/** What is wrong between a plan and the fingering that is written: by the source, or by the teacher. */
export const writtenFindings = (
  { score, left }: Performance,
  fingering: Fingering,
  shifts: readonly Shift[],
): readonly SoundFinding[] => [
  ...brokenLocks(score, left, fingering),
  ...openAndStopped(score, left),
  ...missingPositions(score, left, fingering, shifts),
];

const noteOf = (score: Score, left: LeftPlan, sound: number) => score.notes[left.sounds[sound]!.head]!;
const pitchOf = (score: Score, left: LeftPlan, sound: number): PitchSpelling =>
  noteOf(score, left, sound).sounding;

/** What cannot be kept: a source that no hand can play is told apart from a teacher's own decision. */
const brokenLocks = (score: Score, left: LeftPlan, { choices }: Fingering): readonly SoundFinding[] =>
  left.brokenLocks.map((sound): SoundFinding => {
    const { id, fingering } = noteOf(score, left, sound);
    const own = choices.get(id);
    const isOwn = own?.string != null || own?.finger != null;
    const isWritten = fingering.string !== undefined || fingering.finger !== undefined;
    const values = { pitch: pitchOf(score, left, sound) };
    return { sound, code: isOwn || !isWritten ? 'lock-not-kept' : 'source-unplayable', values };
  });

const openAndStopped = (score: Score, left: LeftPlan): readonly SoundFinding[] =>
  left.sounds.flatMap(({ index: sound }): SoundFinding[] => {
    const { finger } = noteOf(score, left, sound).fingering;
    const choice = left.choices[sound];
    if (finger === undefined || !choice || (finger === 0) === (choice.finger === 0)) return [];
    const pitch = pitchOf(score, left, sound);
    return choice.finger === 0
      ? [{ sound, code: 'open-for-stopped', values: { pitch, finger } }]
      : [{ sound, code: 'stopped-for-open', values: { pitch, finger: choice.finger } }];
  });

/** Shifts of a fingered source at which nothing written tells the reader where the hand goes. */
const missingPositions = (
  score: Score,
  left: LeftPlan,
  { choices, marks }: Fingering,
  shifts: readonly Shift[],
): readonly SoundFinding[] => {
  const isStopped = (sound: number): boolean => (left.choices[sound]?.finger ?? 0) > 0;
  const isWritten = (sound: number): boolean => {
    const { id, fingering } = noteOf(score, left, sound);
    const own = choices.get(id);
    return (own?.finger ?? own?.string ?? fingering.finger ?? fingering.string) !== undefined;
  };
  const stopped = left.sounds.map(({ index }) => index).filter(isStopped);
  const fingeredBySource = stopped.filter((sound) => {
    const { finger, string } = noteOf(score, left, sound).fingering;
    return finger !== undefined || string !== undefined;
  });
  if (stopped.length === 0 || fingeredBySource.length < stopped.length * FINGERED_SHARE) return [];
  const tellsPosition = new Set([
    ...score.positionsWritten.map((note) => score.notes[note]!.onset),
    ...[...marks.values()].flatMap((mark) => {
      if (mark.kind !== 'position' && mark.kind !== 'barre') return [];
      const note = noteById(score, mark.from);
      return note ? [note.onset] : [];
    }),
  ]);
  return shifts.flatMap(({ slice, to }): SoundFinding[] => {
    const { struck, onset } = left.hands[slice]!.slice;
    const own = struck.filter(isStopped);
    if (own.length === 0 || own.some(isWritten) || tellsPosition.has(onset as never)) return [];
    const values = { pitch: pitchOf(score, left, own[0]!), position: to };
    return [{ sound: own[0]!, code: 'position-mark-missing', values }];
  });
};
