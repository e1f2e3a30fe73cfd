import type { Choice, Fingering } from '../fingering/fingering.ts';
import { covers } from '../fingering/rules.ts';
import type { StringNumber } from '../instrument/guitar.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import type { NoteId } from '../score/score.ts';

/**
 * The fingering with every "same as" rule carried out: notes of its bars that also stand in the bars it names (at the
 * same place in the bar, of the same pitch) take the string and finger they have there in `plan`. What is decided for
 * a note itself is left as it is.
 */
export const withSameBars = (fingering: Fingering, plan: LeftPlan): Fingering => {
  const rules = [...fingering.rules.values()].filter((rule) => rule.kind === 'same');
  if (rules.length === 0) return fingering;
  const { piece, locks } = plan;
  const { score, sounds } = piece;
  const placeOf = (sound: number, bar: number): string =>
    `${bar}:${sounds[sound]!.onset - score.bars[sounds[sound]!.bar]!.start}:${sounds[sound]!.midi}`;
  const models = new Map(sounds.map(({ index, bar }) => [placeOf(index, bar), index]));
  const choices = new Map<NoteId, Choice>(fingering.choices);
  for (const rule of rules)
    for (const { index, bar, head } of sounds) {
      if (!covers(rule, bar)) continue;
      const model = models.get(placeOf(index, bar - rule.from + rule.as));
      const taken = model === undefined || model === index ? undefined : plan.choices[model];
      const { id } = score.notes[head]!;
      const lock = locks.get(id);
      if (!taken || lock?.string !== undefined || lock?.finger !== undefined) continue;
      choices.set(id, {
        ...fingering.choices.get(id),
        string: taken.string as StringNumber,
        finger: taken.finger,
      });
    }
  return { ...fingering, choices };
};
