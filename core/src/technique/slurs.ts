import type { LeftPlan } from '../left/left-plan.ts';
import type { Score } from '../score/score.ts';

export const SLUR_TROUBLES = ['across-strings', 'same-finger', 'finger-not-free', 'weak-pair'] as const;
/** Why a technical slur cannot be played, or only with effort. Handbook §6. */
export type SlurTrouble = (typeof SLUR_TROUBLES)[number];

/** A technical slur as the left hand has to play it. */
export interface SlurCheck {
  /** Sounds it leads from and to. */
  readonly from: number;
  readonly to: number;
  readonly kind: 'hammer-on' | 'pull-off';
  /** Fingers before and after; 0 is the open string. */
  readonly fingers: readonly [number, number];
  readonly trouble: SlurTrouble | undefined;
}

/** Every technical slur of a piece, checked against the left hand's plan. */
export const checkSlurs = (
  score: Score,
  { choices, hands, piece, sounds }: LeftPlan,
): readonly SlurCheck[] => {
  const handAt = new Map(hands.flatMap((hand) => hand.slice.struck.map((sound) => [sound, hand] as const)));
  return sounds.flatMap(({ index: to, head, midi }): SlurCheck[] => {
    const slur = score.notes[head]!.slurredFrom;
    const from = slur && piece.soundOf.get(slur.note);
    const [before, after] = [from === undefined ? undefined : choices[from], choices[to]];
    if (from === undefined || !before || !after || sounds[from]!.midi === midi) return [];
    const kind = midi > sounds[from]!.midi ? 'hammer-on' : 'pull-off';
    const fingers = [before.finger, after.finger] as const;
    const troubleOf = (): SlurTrouble | undefined => {
      if (before.string !== after.string) return 'across-strings';
      if (before.finger === after.finger) return 'same-finger';
      // A pull-off needs the lower finger down while the upper note still sounds.
      const isElsewhere = handAt
        .get(from)!
        .lying.some(
          (each) =>
            each.sounding &&
            each.finger === after.finger &&
            (each.string !== after.string || each.fret !== after.fret),
        );
      if (kind === 'pull-off' && after.finger !== 0 && isElsewhere) return 'finger-not-free';
      return fingers.includes(3) && fingers.includes(4) ? 'weak-pair' : undefined;
    };
    return [{ from, to, kind, fingers, trouble: troubleOf() }];
  });
};
