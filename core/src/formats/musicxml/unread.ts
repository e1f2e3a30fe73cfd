import { barLabel } from '../../score/score.ts';
import type { Repair } from '../import-problem.ts';
import { childNamed, childrenNamed } from '../xml/tree.ts';
import type { MeasureSource } from './parts.ts';
import type { PlacedNote, WalkedBar } from './walk.ts';

/** Signs of `measure-style` that stand for music which is not written out. */
const SHORTHANDS = ['measure-repeat', 'beat-repeat', 'slash'] as const;

/** Bars whose notes pass a test, as a reader can find them. */
const barsWith = (
  walked: readonly WalkedBar[],
  kind: 'notes' | 'silent',
  test: (note: PlacedNote) => boolean,
): readonly string[] =>
  walked.flatMap((bar, index) => (bar[kind].some(test) ? [barLabel({ index, number: bar.number })] : []));

const MOST_NAMED = 6;
const listed = (bars: readonly string[]): string =>
  `${bars.length === 1 ? 'Bar' : 'Bars'} ${bars.slice(0, MOST_NAMED).join(', ')}${bars.length > MOST_NAMED ? ` and ${bars.length - MOST_NAMED} more` : ''}`;

/** Lists what the file holds and the plan does not follow, with what was done instead. */
export const tellUnread = (
  walked: readonly WalkedBar[],
  measures: readonly MeasureSource[],
  repairs: Repair[],
): void => {
  const tell = (code: Repair['code'], bars: readonly string[], what: string): void => {
    if (bars.length > 0) repairs.push({ code, bar: bars[0]!, message: `${listed(bars)}: ${what}` });
  };
  tell(
    'unpitched-left-out',
    barsWith(walked, 'notes', ({ kind }) => kind === 'unpitched'),
    'sounds without pitch were left out of the plan; the file keeps them.',
  );
  tell(
    'cue-left-out',
    barsWith(walked, 'silent', ({ cue, kind }) => cue && kind !== 'rest'),
    'cue notes are not fingered; they keep their time, and the file keeps them.',
  );
  tell(
    'hidden-left-out',
    barsWith(walked, 'silent', ({ hidden, cue, kind }) => hidden && !cue && kind !== 'rest'),
    'notes that are not printed are not fingered; they keep their time, and the file keeps them. Show them in your notation program if they are to be played.',
  );
  tell(
    'quarter-tone',
    barsWith(walked, 'notes', ({ quarterTone }) => quarterTone),
    'quarter-tones have no fret; each was read as the semitone beside it, toward the natural note. The file keeps them.',
  );
  const shorthand = measures.flatMap((measure, index) => {
    const styles = measure.children
      .filter(({ name }) => name === 'attributes')
      .flatMap((each) => childrenNamed(each, 'measure-style'));
    const isShort = styles.some((style) =>
      SHORTHANDS.some((name) => childNamed(style, name)?.attributes.type === 'start'),
    );
    return isShort ? [barLabel({ index, number: measure.number })] : [];
  });
  tell(
    'simile',
    shorthand,
    'signs for repeating the music before (simile) are not written out: such bars are read with the notes that stand in the file and no others. Write them out in your notation program to have them fingered.',
  );
};
