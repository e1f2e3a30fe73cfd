import type { NotePlan } from '../plan/plan.ts';
import type { PitchSpelling } from '../music/pitch.ts';
import { asSentence, whereText } from './walk-words.ts';
import type { Wording } from './wording.ts';

/** How a note is taken, as far as a student needs it. */
export type NoteTaken = Pick<NotePlan, 'finger' | 'string' | 'fret' | 'pluck'>;

const takenText = (wording: Wording, pitch: PitchSpelling, { finger, string, fret }: NoteTaken): string =>
  finger === undefined || string === undefined || fret === undefined
    ? wording.say('walk.changed.left-out', { note: wording.note(pitch) })
    : whereText(wording, { pitch, finger, string, fret });

/** What is new about a note that was taken otherwise before: the left hand, and the right where it differs. */
export const changedText = (
  wording: Wording,
  pitch: PitchSpelling,
  before: NoteTaken,
  now: NoteTaken,
): string => {
  const [was, is] = [takenText(wording, pitch, before), takenText(wording, pitch, now)];
  const sentences = was === is ? [] : [asSentence(wording.say('walk.changed', { now: is, before: was }))];
  if (before.pluck !== now.pluck && now.pluck && before.pluck)
    sentences.push(
      wording.say('walk.changed.pluck', {
        now: now.pluck,
        note: wording.note(pitch),
        before: before.pluck,
      }),
    );
  return sentences.join(' ');
};
