import type { StrokeFinger } from '../fingering/vocabulary.ts';
import type { Plan } from '../plan/plan.ts';
import { placedNote } from './left-moments.ts';
import type { Moment } from './moment.ts';

/** Places where a student stumbles, as far as the findings know them. */
export const troubleMoments = (plan: Plan): readonly Moment[] => {
  const { findings, score, left, right } = plan;
  return findings.flatMap(({ bar, beat, note: id, ...finding }): Moment[] => {
    const index = id === undefined ? undefined : score.indexOf.get(id);
    const sound = index === undefined ? undefined : left.piece.soundOf.get(index);
    const note = sound === undefined ? undefined : placedNote(plan, sound);
    if (!note) return [];
    const where = { bar, onset: score.bars[bar]!.start + beat, isNeeded: false };
    switch (finding.code) {
      case 'lower-on-higher-string':
        return [{ kind: 'stumble', ...where, values: { note } }];
      case 'wide-stretch':
        return [{ kind: 'stretch', ...where, values: finding.values }];
      case 'barre-too-long':
        return [{ kind: 'tiring', ...where, values: finding.values }];
      case 'upbeat-torn':
        return [{ kind: 'upbeat', ...where, values: {} }];
      case 'dotted-shrinks':
        return [{ kind: 'dotted', ...where, values: finding.values }];
      case 'crossing-where-busy': {
        const event = right.events.findIndex(({ notes }) => notes.some((each) => each.sound === note.sound));
        const before = right.events[event - 1]?.notes[0]?.sound;
        const [finger, after] = [
          right.choices[note.sound]?.pluck,
          before === undefined ? undefined : right.choices[before]?.pluck,
        ];
        return finger && after
          ? [
              {
                kind: 'crossing',
                ...where,
                values: { note, finger: finger as StrokeFinger, after: after as StrokeFinger },
              },
            ]
          : [];
      }
      default:
        return [];
    }
  });
};
