import type { MarkId } from '../fingering/marks.ts';
import type { StrokeFinger } from '../fingering/vocabulary.ts';
import { stringSign } from '../instrument/string-sign.ts';
import type { Performance } from '../performance/performance.ts';
import { framesOf } from '../right/around/frames.ts';
import { anchorsOf, type PlantedFinger } from '../right/around/planting.ts';
import {
  harmonicTouches,
  type HarmonicTouch,
  type Stroke,
  type StrokeAdvice,
} from '../right/around/strokes.ts';
import { anchorOf } from '../score/anchor.ts';
import type { NoteIndex, StrumDirection } from '../score/score.ts';
import type { Damping, DampingGrade, DampingMeans } from './damping.ts';

/** What each sign of the right hand tells. */
export interface RightSignValues {
  plant: { readonly plants: readonly PlantedFinger[]; readonly opens: readonly StrokeFinger[] };
  anchor: PlantedFinger;
  stroke: {
    readonly stroke: Stroke;
    readonly reason: StrokeAdvice['reason'];
    /** String on which a rest stroke ends, and whether it silences it. */
    readonly comesToRestOn: number | undefined;
    readonly silences: boolean;
  };
  sweep: { readonly strings: readonly number[] };
  strum: {
    readonly direction: StrumDirection;
    readonly finger: StrokeFinger;
    readonly isRasgueado: boolean;
  };
  /** A direction that the source writes over a chord that is plucked. */
  'written-strum': { readonly direction: StrumDirection };
  harmonic: Pick<HarmonicTouch, 'string' | 'node' | 'by'>;
  frame: { readonly strings: readonly PlantedFinger[] };
  damp: {
    readonly string: number;
    readonly grade: DampingGrade;
    readonly means: DampingMeans;
    /** How many basses in a row are stopped alike; one sign stands for three and more. */
    readonly run: number;
  };
}
export type RightSignKind = keyof RightSignValues;

interface Placed {
  readonly note: NoteIndex;
  /** Short, as it stands below the letters of the right hand. */
  readonly sign: string;
  /** Only advice: nobody asked for it. */
  readonly isAdvice: boolean;
  /** The mark that a teacher can accept or take away, for signs that are marks. */
  readonly mark?: MarkId;
}

/** Something the right hand does beyond plucking, at a note: a sign for the sheet; `wording` says it. */
export type RightSign = {
  [Kind in RightSignKind]: Placed & { readonly kind: Kind; readonly values: RightSignValues[Kind] };
}[RightSignKind];

/** Everything the right hand does beside plucking, in playing order. */
export const rightSigns = (
  performance: Performance,
  damping: readonly Damping[] = [],
): readonly RightSign[] => {
  const { score } = performance;
  return [
    ...dampingSigns(performance, damping),
    ...plantingSigns(performance),
    ...strokeSigns(performance),
    ...chordSigns(performance),
    ...harmonicSigns(performance),
    ...frameSigns(performance),
  ].sort((a, b) => score.notes[a.note]!.onset - score.notes[b.note]!.onset);
};

/** The first notehead of a sound, and of the highest note of an event. */
const headOf = ({ left }: Performance, sound: number): NoteIndex => left.sounds[sound]!.head;
const noteAt = (performance: Performance, event: number): NoteIndex =>
  headOf(performance, performance.right.events[event]!.notes.at(-1)!.sound);

const markId = ({ score }: Performance, kind: 'plant' | 'stroke' | 'damp', note: NoteIndex, more = '') =>
  `${kind}@${score.notes[note]!.id}${more}` as MarkId;

const plantingSigns = (performance: Performance): readonly RightSign[] => {
  const { left, planting, right } = performance;
  const planted = planting.flatMap(({ event, plants, opens }): RightSign[] => {
    if (plants.length === 0 && opens.length === 0) return [];
    const note = noteAt(performance, event);
    const set = plants.length > 0 ? `▾${plants.map(({ finger }) => finger).join('')}` : '';
    return [
      {
        note,
        kind: 'plant',
        sign: `${set}${opens.length > 0 ? `(${opens.join('')})` : ''}`,
        values: { plants, opens },
        isAdvice: false,
        ...(plants.length > 0 && { mark: markId(performance, 'plant', note) }),
      },
    ];
  });
  const anchors = anchorsOf(right.events, right.options, left).map(
    ({ after, finger, string }): RightSign => ({
      note: noteAt(performance, after),
      kind: 'anchor',
      sign: `◇${finger}`,
      values: { finger, string },
      isAdvice: true,
    }),
  );
  return [...planted, ...anchors];
};

const strokeSigns = (performance: Performance): readonly RightSign[] =>
  performance.strokes.map(({ sound, stroke, by, reason, comesToRestOn, damps }): RightSign => {
    const note = headOf(performance, sound);
    const rests = stroke === 'rest' ? comesToRestOn : undefined;
    return {
      note,
      kind: 'stroke',
      sign: stroke === 'rest' ? '⌵' : '○',
      values: { stroke, reason, comesToRestOn: rests, silences: rests !== undefined && damps },
      isAdvice: by === 'suggestion',
      mark: markId(performance, 'stroke', note),
    };
  });

/** Chords that are swept by the thumb or brushed. */
const chordSigns = (performance: Performance): readonly RightSign[] => {
  const { score, left, right } = performance;
  const sweeps = right.events.flatMap(({ swept, notes }): RightSign[] => {
    if (swept.length === 0) return [];
    const strings = [...swept.map((sound) => left.choices[sound]!.string), notes[0]!.string];
    const note = headOf(performance, notes.at(-1)!.sound);
    return [{ note, kind: 'sweep', sign: '↥p', values: { strings }, isAdvice: false }];
  });
  const brushed = right.strums.map(({ sounds, direction, finger, isRasgueado }): RightSign => ({
    note: headOf(performance, sounds.at(-1)!),
    kind: 'strum',
    sign: `${direction === 'outward' ? '↑' : '↓'}${finger}`,
    values: { direction, finger, isRasgueado },
    isAdvice: false,
  }));
  const brushedSounds = new Set(right.strums.flatMap(({ sounds }) => sounds));
  const written = left.sounds.flatMap(({ index, head }): RightSign[] => {
    const direction = score.notes[head]!.strum;
    if (!direction || brushedSounds.has(index)) return [];
    const sign = direction === 'outward' ? '⊓' : '∨';
    return [{ note: head, kind: 'written-strum', sign, values: { direction }, isAdvice: false }];
  });
  return [...sweeps, ...brushed, ...written];
};

const harmonicSigns = (performance: Performance): readonly RightSign[] =>
  harmonicTouches(performance.score, performance.left).map(({ sound, string, node, by }): RightSign => ({
    note: headOf(performance, sound),
    kind: 'harmonic',
    sign: `◦${node}`,
    values: { string, node, by },
    isAdvice: false,
  }));

const frameSigns = (performance: Performance): readonly RightSign[] => {
  const { cells, events, options } = performance.right;
  return framesOf(cells, events, options).map(({ event, strings }): RightSign => ({
    note: noteAt(performance, event),
    kind: 'frame',
    sign: strings.map(({ finger, string }) => `${finger}${stringSign(string)}`).join(' '),
    values: { strings },
    isAdvice: false,
  }));
};

/** So many damping signs of one kind in a row become one. Handbook §5. */
const SHORTEST_RUN = 3;

/** Dampings in a row that are done by the same means: one after another, none between. */
export const dampingRuns = (damping: readonly Damping[]): readonly (readonly Damping[])[] => {
  const runs: Damping[][] = [];
  for (const each of damping.toSorted((a, b) => a.onset - b.onset)) {
    const run = runs.at(-1);
    if (run?.[0]!.means === each.means) run.push(each);
    else runs.push([each]);
  }
  return runs.flatMap((run) => (run.length >= SHORTEST_RUN ? [run] : run.map((each) => [each])));
};

const dampingSigns = (performance: Performance, damping: readonly Damping[]): readonly RightSign[] =>
  dampingRuns(damping).map((run): RightSign => {
    const { sound, slice, string, grade, why, means } = run[0]!;
    const struck = why === 'rest' ? sound : performance.left.hands[slice]!.slice.struck[0]!;
    const note = headOf(performance, struck);
    return {
      note,
      mark: markId(performance, 'damp', anchorOf(performance.score, note), `@${string}`),
      kind: 'damp',
      sign: run.length > 1 ? `×${stringSign(string)} …` : `×${stringSign(string)}`,
      values: { string, grade, means, run: run.length },
      isAdvice: grade !== 'must',
    };
  });
