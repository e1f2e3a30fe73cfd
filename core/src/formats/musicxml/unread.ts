import { barLabel } from '../../score/score.ts';
import type { Repair } from '../import-problem.ts';
import { childNamed, childrenNamed } from '../xml/tree.ts';
import type { MeasureSource } from './measures.ts';
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

/** Lists what the file holds and the plan does not follow. */
export const tellUnread = (
  walked: readonly WalkedBar[],
  measures: readonly MeasureSource[],
  repairs: Repair[],
): void => {
  const tell = (
    code: 'unpitched-left-out' | 'cue-left-out' | 'hidden-left-out' | 'quarter-tone' | 'simile',
    bars: readonly string[],
  ): void => {
    if (bars.length > 0) repairs.push({ code, values: { bars } });
  };
  tell(
    'unpitched-left-out',
    barsWith(walked, 'notes', ({ kind }) => kind === 'unpitched'),
  );
  tell(
    'cue-left-out',
    barsWith(walked, 'silent', ({ cue, kind }) => cue && kind !== 'rest'),
  );
  tell(
    'hidden-left-out',
    barsWith(walked, 'silent', ({ hidden, cue, kind }) => hidden && !cue && kind !== 'rest'),
  );
  tell(
    'quarter-tone',
    barsWith(walked, 'notes', ({ quarterTone }) => quarterTone),
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
  tell('simile', shorthand);
};
