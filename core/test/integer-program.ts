import { UP_THE_NECK } from '../src/left/search/placing-costs.ts';
import type { LeftCosts } from '../src/left/hand/costs.ts';
import { TABLE_FRETS, type NeckTables } from '../src/left/hand/hand.ts';
import { Program } from './program.ts';

/**
 * A line of single stopped notes, as the program sees it: for each note where its pitch lies (no open strings), and the
 * seconds since the note before.
 */
export interface LineNote {
  readonly places: readonly { readonly string: number; readonly fret: number }[];
  /** Whether an open bass string has it. */
  readonly hasOpenBass: boolean;
  readonly secondsBefore: number;
  /** The same in beats. */
  readonly beatsBefore: number;
  /** Whether the piece has hardly begun. */
  readonly isOpening: boolean;
  /** Whether it has a note of a tune which goes, around there, higher than first position reaches. */
  readonly isTuneBeyondFirst: boolean;
  /** Semitones since the note before, 0 for the first. */
  readonly rise: number;
}

const FINGERS = [1, 2, 3, 4] as const;
const HIGHEST_POSITION = TABLE_FRETS - 4;
/** Frets that a hand covers. */
const HAND = 4;
const DARK_FRET = 4;
const DARK_STRINGS = 2;
const BODY_FRET = 12;
/** Frets that a finger is read by in first position. */
const LOW_FRET = 4;
const REFERENCE_FRET_WIDTH = 34;
const MILLIMETRES_PER_CENTIMETRE = 10;
const TONE = 2;
const THIRD = 4;
const TREBLES = 3;

/** Where a note can be taken: string, fret, finger, hand position, and what that costs by itself. */
interface Taking {
  readonly name: string;
  readonly string: number;
  readonly fret: number;
  readonly finger: number;
  readonly position: number;
  readonly isHome: boolean;
  readonly cost: number;
}

/** Whether a note of a tune lies under its finger in a position up the neck, as its phrase asks. */
const isInHigherPosition = (
  { isTuneBeyondFirst }: LineNote,
  { finger, fret, position, string }: Pick<Taking, 'finger' | 'fret' | 'position' | 'string'>,
): boolean => isTuneBeyondFirst && string <= TREBLES && position > 1 && fret === position + finger - 1;

const takingsOf = (note: LineNote, index: number, costs: LeftCosts): readonly Taking[] =>
  note.places.flatMap(({ string, fret }) =>
    FINGERS.flatMap((finger) => {
      const weak = [costs.finger1, costs.finger2, costs.finger3, costs.finger4][finger - 1]!;
      const home = Math.min(HIGHEST_POSITION, Math.max(1, fret - finger + 1));
      return [home - 1, home, home + 1].flatMap((position): Taking[] => {
        if (position < 1 || position > HIGHEST_POSITION) return [];
        const away = fret - (position + finger - 1);
        const isHome = position === home;
        // A lone finger strays by one fret at most; at the nut it may lie further behind.
        if (!isHome && Math.abs(away) > 1 && !(away < 0 && position === 1)) return [];
        const deviation =
          away === 0
            ? 0
            : away < 0 && position === 1
              ? costs.nutBack * away * away
              : away < 0
                ? costs.loneBack
                : costs.loneForward;
        const dark = Math.max(0, fret - DARK_FRET) * Math.min(DARK_STRINGS, Math.max(0, string - 2));
        return [
          {
            name: `w_${index}_${string}_${finger}_${position}`,
            string,
            fret,
            finger,
            position,
            isHome,
            cost:
              costs.place +
              weak +
              deviation +
              (index === 0 && !isInHigherPosition(note, { string, fret, finger, position })
                ? readLow(fret, finger, costs)
                : 0) +
              costs.fretUp * fret +
              costs.highOnLowString * dark +
              costs.pastTheBody * Math.max(0, fret - BODY_FRET) +
              (note.hasOpenBass ? costs.stoppedBass : 0) +
              // The search for a first place.
              (index === 0 ? costs.settle * (fret - 1) + costs.upTheNeck * fret : 0),
          },
        ];
      });
    }),
  );

/** What a note alone low on the neck costs when its finger is not that of its fret. */
const readLow = (fret: number, finger: number, costs: LeftCosts): number =>
  fret <= LOW_FRET ? costs.firstPositionAlone * Math.abs(finger - fret) : 0;

/** What lies between two notes in a row: the stay, the shift, and how the finger comes. Infinity where no hand goes so. */
const wayBetween = (from: Taking, to: Taking, note: LineNote, costs: LeftCosts, neck: NeckTables): number => {
  const { beatsBefore, isOpening, rise, secondsBefore } = note;
  const isShift = from.position !== to.position;
  // Away from home only while the hand stays.
  if (isShift && !to.isHome) return Infinity;
  const span = Math.abs(from.string - to.string) + 1;
  const isSlide = from.finger === to.finger && from.string === to.string;
  let cost = costs.stayHighAlone * (from.position - 1) * beatsBefore;
  if (from.position < UP_THE_NECK && (isShift || !isInHigherPosition(note, to)))
    cost += readLow(to.fret, to.finger, costs);
  cost += (costs.stringSkip + (Math.abs(rise) <= TONE ? costs.stepAcross : 0)) * Math.max(0, span - 2);
  if (rise < 0 && rise >= -THIRD && to.string < from.string && to.string <= TREBLES)
    cost += costs.crossed * Math.min(1, costs.crossedReferenceTime / secondsBefore);
  if (isShift) {
    const distance = Math.abs(neck.tip[to.position]! - neck.tip[from.position]!) / MILLIMETRES_PER_CENTIMETRE;
    const hurry = Math.min(costs.shiftHurryLimit, costs.shiftReferenceTime / secondsBefore);
    const hasteAgainst = (reference: number): number => (reference / secondsBefore) ** costs.shiftHaste;
    const most = costs.shiftHasteMost;
    const share = isSlide
      ? costs.shiftLedByLine * Math.min(most, Math.max(1, hasteAgainst(costs.hopReferenceTime)))
      : Math.min(most, Math.max(1 / most, hasteAgainst(costs.shiftReferenceTime)));
    cost += (costs.shift + costs.shiftDistance * distance * hurry) * share;
    const isJump = isOpening && to.fret - from.position >= HAND;
    cost += (costs.settle + (isJump ? costs.upTheNeck : 0)) * Math.max(0, to.fret - from.position - 1);
  }
  const haste = costs.hopReferenceTime / secondsBefore;
  const slide = costs.slideLast * Math.min(costs.slideHasteMost, Math.max(1, haste ** costs.slideHaste));
  const slideHere = costs.slideInPosition * Math.min(2, Math.max(1, haste));
  if (isSlide) return cost - costs.place + (isShift ? slide : slideHere);
  if (from.finger === to.finger) {
    const hop = costs.hop * Math.min(2, Math.max(0.15, haste));
    // The same finger again on another string: a jump, or for the index on one fret a barre laid for it.
    const isLaid = from.fret === to.fret && to.finger === 1;
    const width = neck.width[from.fret]! / REFERENCE_FRET_WIDTH - 1;
    const barre = costs.barre + costs.barreWidth * width + costs.barreString * span;
    return cost + (isLaid ? Math.min(hop, barre) : hop);
  }
  // The fingers pass over each other when their order is not that of the frets and the hand stays.
  const isCrossing = !isShift && to.fret !== from.fret && to.fret < from.fret === to.finger > from.finger;
  return cost + (isCrossing ? (from.string === to.string ? costs.crossOver : costs.crossInHand) : 0);
};

/**
 * The cheapest fingering of a line as an integer program, in CPLEX LP format: one choice of string, finger and hand
 * position for each note, and for each two neighbours a way between their choices with what the cost table says of it.
 * Built from the notes and the cost table alone. No open strings, no held or ringing notes, no pitch twice.
 */
export const lineProgram = (notes: readonly LineNote[], costs: LeftCosts, neck: NeckTables): string => {
  const program = new Program();
  const takings = notes.map((note, index) =>
    takingsOf(note, index, costs).filter((taking) => index > 0 || taking.isHome),
  );
  takings.forEach((ways) => {
    for (const { name, cost } of ways) program.binary(name, cost);
    program.constrain(
      ways.map(({ name }) => [1, name] as const),
      '=',
      1,
    );
  });
  for (let index = 1; index < notes.length; index += 1) {
    const into = new Map<string, string[]>();
    for (const from of takings[index - 1]!) {
      const out: string[] = [];
      for (const to of takings[index]!) {
        const cost = wayBetween(from, to, notes[index]!, costs, neck);
        if (cost === Infinity) continue;
        const way = program.amount(`b_${index}_${out.length}_${from.name}`, cost);
        out.push(way);
        into.set(to.name, [...(into.get(to.name) ?? []), way]);
      }
      // What leaves a choice is as much as the choice: all or nothing.
      program.constrain([...out.map((way) => [1, way] as const), [-1, from.name] as const], '=', 0);
    }
    for (const { name } of takings[index]!)
      program.constrain(
        [...(into.get(name) ?? []).map((way) => [1, way] as const), [-1, name] as const],
        '=',
        0,
      );
  }
  return program.text();
};
