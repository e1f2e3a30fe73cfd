import fc from 'fast-check';
import {
  applyEdit,
  chooseEdit,
  dismissEdit,
  markEdit,
  ruleEdit,
  sentenceEdit,
  setupEdit,
  type Edit,
} from '../fingering/edits.ts';
import type { Choice, FindingKey, Fingering } from '../fingering/fingering.ts';
import type { MarkDecision, MarkId } from '../fingering/marks.ts';
import { addedId, sentenceKey, type OwnWords } from '../fingering/own-words.ts';
import type { PassageRule, RuleId } from '../fingering/rules.ts';
import type { SetupChange } from '../fingering/setup.ts';
import type { NoteId } from '../score/score.ts';

/** What a teacher does at one moment, as a function of the fingering at hand. */
export type Doing = (fingering: Fingering) => Edit;

const note = fc.constantFrom('1:1:0:60:0', '1:1:1:62:0', '2:2:0:45:0').map((id) => id as NoteId);
const choice: fc.Arbitrary<Choice> = fc.record(
  {
    string: fc.constantFrom(1, 2, 3, null, undefined),
    finger: fc.constantFrom(0, 1, 4, null, undefined),
    pluck: fc.constantFrom('p', 'i', undefined),
  },
  { requiredKeys: [] },
) as fc.Arbitrary<Choice>;
const mark: fc.Arbitrary<MarkDecision | null> = note.chain((from) =>
  fc.constantFrom<MarkDecision | null>(
    null,
    { kind: 'removed' },
    { kind: 'text', from, text: 'sing' },
    { kind: 'text', from, text: 'wait' },
  ),
);
const rule = fc.constantFrom<PassageRule | null>(
  null,
  { kind: 'stopped', from: 0, to: 1 },
  { kind: 'position', from: 0, to: 1, position: 5 },
);
const setup: fc.Arbitrary<SetupChange> = fc.record(
  {
    hand: fc.constantFrom('small', 'large', null),
    left: fc.constantFrom('legato', 'campanella', null),
    tempo: fc.constantFrom(60, 90, null),
  },
  { requiredKeys: [] },
) as fc.Arbitrary<SetupChange>;

const words = (text: string): OwnWords => ({ text, planned: '', bar: 0, depth: 'bars' });

/** Anything a teacher can do, on few enough things that two of them often meet. */
export const doing: fc.Arbitrary<Doing> = fc.oneof(
  {
    weight: 4,
    arbitrary: fc.tuple(note, choice).map(
      ([id, each]): Doing =>
        (at) =>
          chooseEdit(at, id, each),
    ),
  },
  fc.tuple(note, mark).map(
    ([id, each]): Doing =>
      (at) =>
        markEdit(at, `text@${id}` as MarkId, each),
  ),
  rule.map(
    (each): Doing =>
      (at) =>
        ruleEdit(at, 'r1' as RuleId, each),
  ),
  fc.constantFrom('because', 'later', null).map(
    (reason): Doing =>
      (at) =>
        dismissEdit(at, 'stretch@n' as FindingKey, reason),
  ),
  fc.constantFrom<OwnWords | null>(words('Wait.'), words(''), null).map(
    (each): Doing =>
      (at) =>
        sentenceEdit(at, sentenceKey('en', addedId(0)), each),
  ),
  setup.map(
    (each): Doing =>
      (at) =>
        setupEdit(at, each),
  ),
);

/** Edits as a page makes them: each on what the ones before left. */
export const makeEdits = (start: Fingering, doings: readonly Doing[]): Edit[] => {
  let fingering = start;
  return doings.map((each) => {
    const edit = each(fingering);
    fingering = applyEdit(fingering, edit);
    return edit;
  });
};
export const history = fc.array(doing, { maxLength: 8 });
