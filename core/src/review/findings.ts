import type { Fingering } from '../fingering/fingering.ts';
import { STROKE_FINGERS } from '../fingering/vocabulary.ts';
import { gripTrouble } from '../left/hand/grip-trouble.ts';
import { neckTables } from '../left/hand/hand.ts';
import type { LeftPlan } from '../left/left-plan.ts';
import type { PitchSpelling } from '../music/pitch.ts';
import type { Performance } from '../performance/performance.ts';
import type { RightPlan } from '../right/right-plan.ts';
import { RIGHT_COSTS } from '../right/search/costs.ts';
import { beatText } from '../score/place.ts';
import { barLabel } from '../score/score.ts';
import { FINDING_SEVERITIES, type Finding, type SoundFinding, type Unplayable } from './finding.ts';
import { movementFindings, type Movements } from './movement-findings.ts';
import { writtenFindings } from './written-findings.ts';

/** A bar that comes back and is fingered otherwise; the price is infinite where the same cannot be held. */
export interface UnlikeBar {
  readonly bar: number;
  readonly like: number;
  readonly price: number;
}

/** What a plan could not do and what will go wrong with it, in playing order. */
export const findingsOf = (
  performance: Performance,
  fingering: Fingering,
  unlike: readonly UnlikeBar[],
  movements: Movements,
): readonly Finding[] => {
  const { score, left, right } = performance;
  const findings = [
    ...leftFindings(left),
    ...returnFindings(performance, unlike),
    ...strokeFindings(left, right),
    ...movementFindings(performance, movements),
    ...writtenFindings(performance, fingering, movements.shifts),
  ]
    .map((found) => placed(performance, found))
    .sort((a, b) => a.bar - b.bar || a.beat - b.beat);
  if (left.exact) return findings;
  const ofThePiece: Finding = {
    code: 'search-not-exhaustive',
    values: {},
    severity: FINDING_SEVERITIES['search-not-exhaustive'],
    note: undefined,
    bar: 0,
    number: barLabel(score.bars[0]!),
    beat: 0,
    count: undefined,
  };
  return [...findings, ofThePiece];
};

const placed = ({ score, left }: Performance, { sound, ...subject }: SoundFinding): Finding => {
  const note = score.notes[left.sounds[sound]!.head]!;
  const bar = score.bars[note.bar]!;
  const beat = note.onset - bar.start;
  const isMinor = subject.code === 'slur-trouble' && subject.values.trouble === 'weak-pair';
  return {
    ...subject,
    severity: isMinor ? 'remark' : FINDING_SEVERITIES[subject.code],
    note: note.id,
    bar: note.bar,
    number: barLabel(bar),
    beat,
    count: beatText(bar, beat, score.ticksPerQuarter),
  };
};

const pitchOf = ({ piece: { score }, sounds }: LeftPlan, sound: number): PitchSpelling =>
  score.notes[sounds[sound]!.head]!.sounding;

/** Why a note has no place among those struck with it. */
const whyUnplayable = (left: LeftPlan, sound: number): Unplayable => {
  const { piece, setup, sounds } = left;
  const { struck } = piece.slices[piece.sliceOf.get(piece.score.notes[sounds[sound]!.head]!.id)!]!;
  const wanted = struck.map((each) => ({ places: piece.places[each]!, lock: undefined }));
  const name = (place: number): PitchSpelling => pitchOf(left, struck[place]!);
  const trouble = gripTrouble(wanted, setup.hand, neckTables(setup.guitar));
  switch (trouble?.kind) {
    case 'nowhere':
      return { kind: 'nowhere', pitch: name(trouble.note) };
    case 'one-string':
      return { kind: 'one-string', pitches: trouble.notes.map(name), string: trouble.string };
    case 'too-far':
      return { kind: 'too-far', pitches: trouble.notes.map(name) };
    case 'too-many-strings':
    case 'too-many-fingers':
      return { kind: trouble.kind };
    case undefined:
      return { kind: 'fixed-around' };
  }
};

/** What the left hand could not do. */
const leftFindings = (left: LeftPlan): readonly SoundFinding[] => [
  ...left.unplayable.map((sound): SoundFinding => ({
    sound,
    code: 'unplayable-note',
    values: { pitch: pitchOf(left, sound), why: whyUnplayable(left, sound) },
  })),
  ...left.cut.map((sound): SoundFinding => ({
    sound,
    code: 'held-note-cut',
    values: { pitch: pitchOf(left, sound) },
  })),
  ...left.brokenRules.map(({ sound, kind }): SoundFinding => ({
    sound,
    code: 'rule-not-kept',
    values: { pitch: pitchOf(left, sound), rule: kind },
  })),
];

const returnFindings = (
  { score, left }: Performance,
  unlike: readonly UnlikeBar[],
): readonly SoundFinding[] =>
  unlike.map(({ bar, like, price }): SoundFinding => ({
    sound: left.sounds.find((each) => each.bar === bar)!.index,
    code: 'return-differs',
    values: {
      bar: barLabel(score.bars[bar]!),
      like: barLabel(score.bars[like]!),
      price: price === Infinity ? undefined : price,
    },
  }));

/** What the right hand was asked to do and could not. */
const strokeFindings = (left: LeftPlan, right: RightPlan): readonly SoundFinding[] => [
  ...right.brokenLocks.map((sound): SoundFinding => ({
    sound,
    code: 'pluck-lock-not-kept',
    values: { pitch: pitchOf(left, sound) },
  })),
  ...right.events.flatMap((event, index): SoundFinding[] => {
    const { sound } = event.notes[0]!;
    const pitch = pitchOf(left, sound);
    const isOutOfSchool = (right.choices[sound]?.cost.school ?? 0) >= RIGHT_COSTS.schoolBroken;
    const missing = event.wanted?.ranks.find((rank) => !right.options[index]!.includes(rank));
    const isOffPattern = missing !== undefined && event.wanted!.cost >= RIGHT_COSTS.patternBroken;
    return [
      ...(isOutOfSchool ? [{ sound, code: 'school-not-kept' as const, values: { pitch } }] : []),
      ...(isOffPattern
        ? [
            {
              sound,
              code: 'pattern-not-kept' as const,
              values: { pitch, finger: STROKE_FINGERS[missing]! },
            },
          ]
        : []),
    ];
  }),
];
