import { isForRightHand, covers, type PassageRule, type Pattern } from '../../fingering/rules.ts';
import type { RightSchool } from '../../fingering/vocabulary.ts';

/** How a right hand is asked to play a whole piece. */
export interface RightSetup {
  readonly school: RightSchool;
  /** Order of the fingers in tremolo; the planner's own choice when missing. */
  readonly tremolo?: Pattern;
  /** Whether the thumb may play twice running in a line; it always may in the bass. */
  readonly doubleThumb: boolean;
  /** Whether equal cells keep the order of fingers that is established for them. */
  readonly keepOrder: boolean;
}

export const DEFAULT_RIGHT_SETUP: RightSetup = { school: 'free', doubleThumb: true, keepOrder: true };

export type PatternRule = Extract<PassageRule, { kind: 'pattern' }>;

/** What the rules of a fingering ask of the right hand. */
export class RightRules {
  readonly patterns: readonly PatternRule[];
  private readonly schools: readonly Extract<PassageRule, { kind: 'school' }>[];
  private readonly setup: RightSetup;

  constructor(setup: RightSetup, rules: Iterable<PassageRule>) {
    const own = [...rules].filter(isForRightHand);
    this.setup = setup;
    this.patterns = own.filter((rule) => rule.kind === 'pattern');
    this.schools = own.filter((rule) => rule.kind === 'school');
  }

  /** What holds in a bar: the latest rule that covers it, and the piece's setup where it says nothing. */
  in(bar: number): Pick<RightSetup, 'school' | 'doubleThumb' | 'keepOrder'> {
    const rule = this.schools.findLast((each) => covers(each, bar));
    return {
      school: rule?.school ?? this.setup.school,
      doubleThumb: rule?.doubleThumb ?? this.setup.doubleThumb,
      keepOrder: rule?.keepOrder ?? this.setup.keepOrder,
    };
  }
}
