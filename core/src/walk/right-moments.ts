import { STROKE_FINGERS, type StrokeFinger } from '../fingering/vocabulary.ts';
import type { Plan } from '../plan/plan.ts';
import { harmonicTouches } from '../right/around/strokes.ts';
import { isLine } from '../right/events/events.ts';
import { THUMB } from '../right/events/ranks.ts';
import { dampingRuns } from '../technique/right-signs.ts';
import { placedNote } from './left-moments.ts';
import type { Moment } from './moment.ts';

/** Notes of a downbeat that takes a whole hand. Our own value. */
const FULL_CHORD = 3;
/** Letters of more strokes are no longer read as one pattern. */
const LONGEST_PATTERN = 12;
/** Strokes in a row that are worth saying that they alternate. Our own value. */
const SHORTEST_LINE = 4;

/** Patterns of the right hand where they begin and where they are taken up again, and the first line that alternates. */
export const strokeMoments = ({ right }: Plan): readonly Moment[] => {
  const { events, options, cells } = right;
  const lettersOf = (from: number, to: number): readonly StrokeFinger[] =>
    options
      .slice(from, to)
      .map((ranks) => ranks.map((rank) => STROKE_FINGERS[rank]!).join('') as StrokeFinger);
  const moments: Moment[] = [];
  const seen = new Set<string>();
  let running = '';
  cells.forEach(({ first, end, kind }, index) => {
    const order = lettersOf(first, end);
    const key = order.join(' ');
    if (key === running || order.length > LONGEST_PATTERN) return;
    const { bar, onset } = events[first]!;
    const after = cells[index + 1];
    const known = seen.has(key) ? 'returns' : 'begins';
    const goesOn = after !== undefined && lettersOf(after.first, after.end).join(' ') === key;
    // A pattern that does not go on is an exception from the one that runs; alone it is none.
    if (!goesOn && running === '' && kind !== 'tremolo') return;
    moments.push({
      kind: 'pattern',
      bar,
      onset,
      isNeeded: false,
      values: {
        order,
        is: goesOn ? known : 'once',
        isTremolo: kind === 'tremolo',
      },
    });
    if (!goesOn) return;
    seen.add(key);
    running = key;
  });
  const line = events.findIndex((event, index) => {
    const own = events.slice(index, index + SHORTEST_LINE);
    const [one, other] = [options[index]![0], options[index + 1]?.[0]];
    return (
      event.isLineStart &&
      own.length === SHORTEST_LINE &&
      one !== other &&
      own.every((each, step) => isLine(each) && options[index + step]![0] === (step % 2 === 0 ? one : other))
    );
  });
  if (line >= 0) {
    const { bar, onset } = events[line]!;
    moments.push({
      kind: 'alternate',
      bar,
      onset,
      isNeeded: false,
      values: { order: lettersOf(line, line + 2) },
    });
  }
  return moments;
};

/**
 * The finger that a downbeat of several fingers takes for its top note, where a line leads to it on other fingers: it is not
 * spent before. Handbook §4, reserve.
 */
export const reserveMoments = ({ right }: Plan): readonly Moment[] => {
  const { events, options } = right;
  return events.flatMap((event, index): Moment[] => {
    const before = [index - 2, index - 1].map((each) => events[each]);
    const top = options[index]?.at(-1);
    if (top === undefined || event.notes.length < FULL_CHORD || event.bar === events[index - 1]?.bar)
      return [];
    if (before.some((each) => !each || each.notes.length !== 1 || each.bar !== event.bar - 1)) return [];
    const spent = [index - 2, index - 1].map((each) => options[each]![0]!);
    if (spent.includes(top) || spent.some((rank) => rank === THUMB)) return [];
    const { bar, onset } = before[0]!;
    const finger = STROKE_FINGERS[top] as StrokeFinger;
    return [{ kind: 'reserve', bar, onset, isNeeded: false, values: { finger, until: event.onset } }];
  });
};

/** Chords that are brushed, and harmonics. */
export const touchMoments = (plan: Plan): readonly Moment[] => {
  const { right, left, score } = plan;
  const strums = right.strums.map(({ slice, direction, finger }): Moment => {
    const { bar, onset } = left.hands[slice]!.slice;
    return { kind: 'strum', bar, onset, isNeeded: false, values: { direction, finger } };
  });
  const harmonics = harmonicTouches(score, left).flatMap(({ sound, node, by }): Moment[] => {
    const note = placedNote(plan, sound);
    const { bar, onset } = left.sounds[sound]!;
    return note ? [{ kind: 'harmonic', bar, onset, isNeeded: false, values: { note, node, by } }] : [];
  });
  return [...strums, ...harmonics];
};

/** Strings that are to be silenced; three and more stopped alike in a row are one moment. Handbook §5. */
export const dampingMoments = ({ damping, left, score }: Plan): readonly Moment[] =>
  dampingRuns(damping.filter(({ grade }) => grade !== 'may')).map((run): Moment => {
    const { sound, slice, onset, string, grade, means, why } = run[0]!;
    const next = why === 'rest' ? undefined : left.hands[slice]?.slice.struck[0];
    const pitchOf = (of: number) => score.notes[left.sounds[of]!.head]!.sounding;
    const bar = score.bars.findLast(({ start }) => start <= onset)!.index;
    return {
      kind: 'damp',
      bar,
      onset,
      isNeeded: run.some((each) => each.grade === 'must'),
      values: {
        string,
        pitch: pitchOf(sound),
        into: next === undefined ? undefined : pitchOf(next),
        grade,
        means,
        run: run.length,
      },
    };
  });
