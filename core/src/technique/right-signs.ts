import type { MarkId } from '../fingering/marks.ts';
import type { PassageRule } from '../fingering/rules.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import { cellsOf } from '../right/events/cells.ts';
import { framesOf } from '../right/around/frames.ts';
import { anchorsOf } from '../right/around/planting.ts';
import type { RightPlan } from '../right/plan-right.ts';
import { harmonicTouches, type StrokeAdvice } from '../right/around/strokes.ts';
import { DAMPING_MEANS_RULES, type Damping } from './damping.ts';
import { rightSteps } from '../performance/right-steps.ts';
import { anchorOf } from '../score/anchor.ts';
import type { NoteIndex, Score } from '../score/score.ts';

export const RIGHT_SIGN_KINDS = [
  'plant',
  'anchor',
  'stroke',
  'sweep',
  'strum',
  'harmonic',
  'frame',
  'damp',
] as const;
export type RightSignKind = (typeof RIGHT_SIGN_KINDS)[number];

/** Something the right hand does beyond plucking, at a note: a sign for the sheet and the same in words. */
export interface RightSign {
  readonly note: NoteIndex;
  readonly kind: RightSignKind;
  /** Short, as it stands below the letters of the right hand. */
  readonly sign: string;
  readonly words: string;
  /** Only advice: nobody asked for it. */
  readonly isAdvice: boolean;
  /** The mark that a teacher can accept or take away, for signs that are marks. */
  readonly mark?: MarkId;
}

const CIRCLED = ['', '①', '②', '③', '④', '⑤', '⑥'] as const;
const sign = (string: number): string => CIRCLED[string] ?? String(string);

const STROKE_WORDS: Readonly<Record<StrokeAdvice['reason'], string>> = {
  asked: 'as asked',
  scale: 'it gives a scale weight and evenness',
  'thumb-silences': 'it silences the open string beside it',
};

/** Everything the right hand does beside plucking, in playing order: planting, anchors, strokes, sweeps, harmonics, frames. */
export const rightSigns = (
  score: Score,
  left: LeftPlan,
  right: RightPlan,
  rules: Iterable<PassageRule>,
  damping: readonly Damping[] = [],
): readonly RightSign[] => {
  const { events, options, strums } = right;
  const steps = rightSteps(score, left, right, [...rules]);
  const cells = cellsOf(score, events);
  const headOf = (sound: number): NoteIndex => left.sounds[sound]!.head;
  const noteAt = (event: number): NoteIndex => headOf(events[event]!.notes.at(-1)!.sound);
  const markIdOf = (kind: 'plant' | 'stroke' | 'damp', note: NoteIndex, more = ''): MarkId =>
    `${kind}@${score.notes[note]!.id}${more}` as MarkId;
  const planted = steps.planting.flatMap(({ event, plants, opens }): RightSign[] => {
    if (plants.length === 0 && opens.length === 0) return [];
    const set = plants.map(({ finger, string }) => `${finger} on ${sign(string)}`).join(', ');
    const open = opens.length > 0 ? `${opens.join(' ')} opens and waits: its string must ring` : '';
    return [
      {
        note: noteAt(event),
        kind: 'plant',
        sign: `${plants.length > 0 ? `▾${plants.map(({ finger }) => finger).join('')}` : ''}${opens.length > 0 ? `(${opens.join('')})` : ''}`,
        words: [set && `set ${set}; each leaves its string as it plays`, open].filter(Boolean).join('; '),
        isAdvice: false,
        ...(plants.length > 0 && { mark: markIdOf('plant', noteAt(event)) }),
      },
    ];
  });
  const anchors = anchorsOf(events, options, left).map(({ after, finger, string }): RightSign => ({
    note: noteAt(after),
    kind: 'anchor',
    sign: `◇${finger}`,
    words: `after the chord put ${finger} back on ${sign(string)} before the next entry`,
    isAdvice: true,
  }));
  const strokes = steps.strokes.map(({ sound, stroke, by, reason, comesToRestOn, damps }): RightSign => ({
    note: headOf(sound),
    kind: 'stroke',
    sign: stroke === 'rest' ? '⌵' : '○',
    words: `${stroke} stroke, ${STROKE_WORDS[reason]}${comesToRestOn !== undefined && stroke === 'rest' ? `; comes to rest on ${sign(comesToRestOn)}${damps ? ' and silences it' : ''}` : ''}`,
    isAdvice: by === 'suggestion',
    mark: markIdOf('stroke', headOf(sound)),
  }));
  const sweeps = events.flatMap(({ swept, notes }): RightSign[] =>
    swept.length === 0
      ? []
      : [
          {
            note: headOf(notes.at(-1)!.sound),
            kind: 'sweep',
            sign: '↥p',
            words: `p sweeps ${[...swept.map((sound) => left.choices[sound]!.string), notes[0]!.string].map(sign).join(' ')}, the fingers pluck the rest`,
            isAdvice: false,
          },
        ],
  );
  const brushed = strums.map(({ sounds, direction, finger, isRasgueado }): RightSign => ({
    note: headOf(sounds.at(-1)!),
    kind: 'strum',
    sign: `${direction === 'outward' ? '↑' : '↓'}${finger}`,
    words: `${isRasgueado ? 'rasgueado: ' : ''}${finger} brushes ${direction === 'outward' ? 'outward, from the bass to the treble' : 'back, from the treble to the bass'}`,
    isAdvice: false,
  }));
  const brushedSounds = new Set(strums.flatMap(({ sounds }) => sounds));
  const written = left.sounds.flatMap(({ index, head }): RightSign[] => {
    const direction = score.notes[head]!.strum;
    if (!direction || brushedSounds.has(index)) return [];
    return [
      {
        note: head,
        kind: 'strum',
        sign: direction === 'outward' ? '⊓' : '∨',
        words: `the source writes a stroke ${direction === 'outward' ? 'toward the treble' : 'toward the bass'}`,
        isAdvice: false,
      },
    ];
  });
  const harmonics = harmonicTouches(score, left).map(({ sound, string, node, by }): RightSign => ({
    note: headOf(sound),
    kind: 'harmonic',
    sign: `◦${node}`,
    words:
      by === 'left'
        ? `touch ${sign(string)} over fret ${node} with the left hand`
        : `touch ${sign(string)} over fret ${node} with i, pluck with p or a as far away as you can`,
    isAdvice: false,
  }));
  const frames = framesOf(cells, events, options).map(({ event, strings }): RightSign => ({
    note: noteAt(event),
    kind: 'frame',
    sign: strings.map(({ finger, string }) => `${finger}${sign(string)}`).join(' '),
    words: `the hand moves: ${strings.map(({ finger, string }) => `${finger} on ${sign(string)}`).join(', ')}`,
    isAdvice: false,
  }));
  const dampedAt = (sound: number, slice: number, why: Damping['why']): NoteIndex =>
    why === 'rest' ? headOf(sound) : headOf(left.hands[slice]!.slice.struck[0]!);
  const damped = damping.map(({ sound, slice, string, grade, why, means }): RightSign => ({
    note: dampedAt(sound, slice, why),
    mark: markIdOf('damp', anchorOf(score, dampedAt(sound, slice, why)), `@${string}`),
    kind: 'damp',
    sign: `×${sign(string)}`,
    words: `${grade} be damped: ${DAMPING_MEANS_RULES[means].words}`,
    isAdvice: grade !== 'must',
  }));
  return [
    ...damped,
    ...planted,
    ...anchors,
    ...strokes,
    ...sweeps,
    ...brushed,
    ...written,
    ...harmonics,
    ...frames,
  ].sort((a, b) => score.notes[a.note]!.onset - score.notes[b.note]!.onset);
};
