import { pitchLabel } from '../music/pitch.ts';
import { neckTables } from '../left/hand/hand.ts';
import type { LeftPlan } from '../left/plan-left.ts';
import { gripTrouble } from '../left/hand/grip-trouble.ts';
import type { FindingKey, Fingering } from '../fingering/fingering.ts';
import { STROKE_FINGERS } from '../fingering/vocabulary.ts';
import { RIGHT_COSTS } from '../right/search/costs.ts';
import type { RightPlan } from '../right/plan-right.ts';
import type { Clock } from '../score/clock.ts';
import { movementFindings, type Movements } from './movement-findings.ts';
import { writtenFindings } from './written-findings.ts';
import { beatText } from '../score/place.ts';
import { barLabel, type NoteId, type Score } from '../score/score.ts';

export const FINDING_CODES = [
  'unplayable-note',
  'lock-not-kept',
  'held-note-cut',
  'rule-not-kept',
  'return-differs',
  'pluck-lock-not-kept',
  'school-not-kept',
  'pattern-not-kept',
  'search-not-exhaustive',
  'gap-at-shift',
  'upbeat-torn',
  'lower-on-higher-string',
  'finger-needed-twice',
  'wide-stretch',
  'barre-too-long',
  'slur-trouble',
  'string-left-ringing',
  'crossing-where-busy',
  'repeat-at-speed',
  'open-for-stopped',
  'stopped-for-open',
  'position-mark-missing',
  'source-unplayable',
] as const;
export type FindingCode = (typeof FINDING_CODES)[number];
export type Severity = 'error' | 'warning' | 'remark';

/** Something a teacher should know about a plan, anchored to a note. */
export interface Finding {
  readonly code: FindingCode;
  readonly severity: Severity;
  readonly note: NoteId | undefined;
  readonly bar: number;
  /** Ticks from the start of the bar. */
  readonly beat: number;
  readonly message: string;
}

/** What a finding is known by when the next plan has it too. */
export const findingKey = ({ code, note }: Pick<Finding, 'code' | 'note'>): FindingKey =>
  `${code}@${note ?? 'piece'}` as FindingKey;

/** Why a note has no place among those struck with it. */
const whyUnplayable = (score: Score, { memory, sounds }: LeftPlan, sound: number): string => {
  const { ground, setup } = memory;
  const own = ground.slices[ground.sliceOf.get(score.notes[sounds[sound]!.head]!.id)!]!;
  const struck = own.struck.map((each) => ({ places: ground.places[each]!, lock: undefined }));
  const name = (place: number): string => pitchLabel(score.notes[sounds[own.struck[place]!]!.head]!.sounding);
  const trouble = gripTrouble(struck, setup.hand, neckTables(setup.guitar));
  switch (trouble?.kind) {
    case 'nowhere':
      return `${name(trouble.note)} lies on no string of this guitar`;
    case 'one-string':
      return `${trouble.notes.map(name).join(' and ')} both need string ${trouble.string}`;
    case 'too-far':
      return `${trouble.notes.map(name).join(' and ')} lie too far apart for this hand`;
    case 'too-many-strings':
      return 'more notes are struck at once than there are strings for them';
    case 'too-many-fingers':
      return 'the notes struck at once need more than this hand can reach together';
    case undefined:
      return 'what is fixed for the notes around it leaves no grip';
  }
};

/** A plan as far as findings are read from it. */
export interface Reviewed {
  readonly score: Score;
  readonly left: LeftPlan;
  readonly right: RightPlan;
  readonly fingering: Fingering;
  readonly memory: { readonly clock: Clock };
}

/** What a plan could not do and what will go wrong with it, in playing order. */
export const findingsOf = (
  { score, left, right, fingering, memory: { clock } }: Reviewed,
  unlike: readonly { readonly bar: number; readonly like: number; readonly price: number }[],
  movements: Movements,
): readonly Finding[] => {
  const at = (
    sound: number,
    code: FindingCode,
    severity: Severity,
    text: (pitch: string, place: string) => string,
  ): Finding => {
    const note = score.notes[left.sounds[sound]!.head]!;
    const bar = score.bars[note.bar]!;
    const beat = note.onset - bar.start;
    const place = `Bar ${barLabel(bar)}, beat ${beatText(bar, beat, score.ticksPerQuarter)}`;
    return {
      code,
      severity,
      note: note.id,
      bar: note.bar,
      beat,
      message: text(pitchLabel(note.sounding), place),
    };
  };
  const findings = [
    ...left.unplayable.map((sound) =>
      at(
        sound,
        'unplayable-note',
        'error',
        (pitch, place) =>
          `${place}: ${pitch} cannot be played: ${whyUnplayable(score, left, sound)}. See its ways out.`,
      ),
    ),
    ...left.cut.map((sound) =>
      at(
        sound,
        'held-note-cut',
        'warning',
        (pitch, place) =>
          `${place}: ${pitch} cannot be held for its whole length; its finger or string is needed before it ends. See its ways out.`,
      ),
    ),
    ...left.brokenRules.map(({ sound, kind }) =>
      at(sound, 'rule-not-kept', 'warning', (pitch, place) =>
        kind === 'stopped'
          ? `${place}: ${pitch} can only be played open here; the passage asks for no open strings.`
          : kind === 'no-barre'
            ? `${place}: ${pitch} needs a finger that lies flat; the passage asks for no barre.`
            : kind === 'barre'
              ? `${place}: ${pitch} cannot be taken with the barre the passage asks for.`
              : `${place}: the hand cannot stay in the position the passage asks for; it leaves it for ${pitch}.`,
      ),
    ),
    ...unlike.map(({ bar, like, price }) => {
      const sound = left.sounds.find((each) => each.bar === bar)!.index;
      return at(sound, 'return-differs', 'remark', () => {
        const [here, before] = [score.bars[bar]!, score.bars[like]!].map(barLabel);
        const why =
          price === Infinity
            ? 'what surrounds it does not allow the same'
            : `the same would cost ${price.toFixed(1)} more here`;
        return `Bar ${here} returns as bar ${before} but is fingered otherwise: ${why}.`;
      });
    }),
    ...right.brokenLocks.map((sound) =>
      at(
        sound,
        'pluck-lock-not-kept',
        'warning',
        (pitch, place) =>
          `${place}: the right-hand finger fixed for ${pitch} would cross its neighbours in the chord; it was set aside.`,
      ),
    ),
    ...right.events.flatMap((event, index) => {
      const { sound } = event.notes[0]!;
      const cost = right.choices[sound]?.cost;
      const school =
        (cost?.school ?? 0) >= RIGHT_COSTS.schoolBroken
          ? at(
              sound,
              'school-not-kept',
              'warning',
              (pitch, place) =>
                `${place}: the alternation asked for cannot hold at ${pitch}; what is fixed around it leaves no other finger.`,
            )
          : undefined;
      const missing = event.wanted?.ranks.find((rank) => !right.options[index]!.includes(rank));
      const pattern =
        missing !== undefined && event.wanted!.cost >= RIGHT_COSTS.patternBroken
          ? at(
              sound,
              'pattern-not-kept',
              'warning',
              (pitch, place) =>
                `${place}: the pattern asks for ${STROKE_FINGERS[missing]} at ${pitch}, which another finger has to play.`,
            )
          : undefined;
      return [school, pattern].filter((each) => each !== undefined);
    }),
    ...movementFindings(score, left, right, movements, clock).map(({ sound, code, severity, text }) =>
      at(sound, code, severity, (pitch, place) => `${place}: ${text(pitch)}`),
    ),
    ...writtenFindings(score, left, fingering, movements.shifts).map(({ sound, code, severity, text }) =>
      at(sound, code, severity, (pitch, place) => `${place}: ${text(pitch)}`),
    ),
  ].sort((a, b) => a.bar - b.bar || a.beat - b.beat);
  return left.exact
    ? findings
    : [
        ...findings,
        {
          code: 'search-not-exhaustive',
          severity: 'remark',
          note: undefined,
          bar: 0,
          beat: 0,
          message:
            'The piece has moments with more possibilities than were searched; a slightly better fingering may exist.',
        },
      ];
};
