import type { LeftCosts } from '../src/left/hand/costs.ts';
import { TABLE_FRETS, type NeckTables } from '../src/left/hand/hand.ts';
import { Program } from './program.ts';

/**
 * A line of single stopped notes, as the program sees it: for each note where its pitch lies (no open strings), and the
 * seconds since the note before.
 */
export interface LineNote {
  readonly places: readonly { readonly string: number; readonly fret: number }[];
  readonly secondsBefore: number;
}

const FINGERS = [1, 2, 3, 4] as const;
const HIGHEST_POSITION = TABLE_FRETS - 4;
const DARK_FRET = 4;
const BODY_FRET = 12;
/** Frets that a finger is read by in first position. */
const LOW_FRET = 4;
const REFERENCE_FRET_WIDTH = 34;
const MILLIMETRES_PER_CENTIMETRE = 10;

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
        const dark = Math.max(0, fret - DARK_FRET) * Math.max(0, string - 2);
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
              (fret <= LOW_FRET ? costs.firstPositionAlone * Math.abs(finger - fret) : 0) +
              costs.height * (position - 1) +
              costs.upTheNeck * fret +
              costs.highOnLowString * dark +
              costs.pastTheBody * Math.max(0, fret - BODY_FRET),
          },
        ];
      });
    }),
  );

interface Side {
  readonly key: string;
  /** The choices that amount to this. */
  readonly of: readonly (readonly [number, string])[];
}

/** Variables for every pair of two sides whose sums are the choices on each. `pair` names and prices one. */
const transport = (
  program: Program,
  left: readonly Side[],
  right: readonly Side[],
  pair: (from: string, to: string) => string,
): void => {
  const [some, others] = [left, right].map((side) => side.filter(({ of }) => of.length > 0));
  const names = some!.map((from) => others!.map((to) => pair(from.key, to.key)));
  const equal = (pairs: readonly string[], { of }: Side) =>
    program.constrain(
      [...pairs.map((name) => [1, name] as const), ...of.map(([factor, name]) => [-factor, name] as const)],
      '=',
      0,
    );
  some!.forEach((from, row) => equal(names[row]!, from));
  others!.forEach((to, column) =>
    equal(
      names.map((row) => row[column]!),
      to,
    ),
  );
};

/**
 * The cheapest fingering of a line as an integer program, in CPLEX LP format: one choice of string, finger and hand
 * position for each note, and for each pair of neighbours what the cost table says of shifts, hops, slides and
 * skipped strings. Built from the notes and the cost table alone. No open strings, no held or ringing notes, no
 * pitch twice running.
 */
export const lineProgram = (notes: readonly LineNote[], costs: LeftCosts, neck: NeckTables): string => {
  const barreAt = (fret: number): number =>
    costs.barre + costs.barreWidth * (neck.width[fret]! / REFERENCE_FRET_WIDTH - 1);
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
  const where = (index: number, isWanted: (taking: Taking) => boolean) =>
    takings[index]!.filter(isWanted).map(({ name }) => [1, name] as const);
  const minus = (terms: readonly (readonly [number, string])[], factor: number) =>
    terms.map(([, name]) => [-factor, name] as const);

  for (let index = 1; index < notes.length; index += 1) {
    const before = takings[index - 1]!;
    const here = takings[index]!;
    const seconds = notes[index]!.secondsBefore;
    const hurry = Math.min(costs.shiftHurryLimit, costs.shiftReferenceTime / seconds);
    const hop = costs.hop * Math.min(2, Math.max(0.15, costs.hopReferenceTime / seconds));
    const positionsBefore = [...new Set(before.map(({ position }) => position))];
    const positionsHere = [...new Set(here.map(({ position }) => position))];
    const at = (position: number) => (taking: Taking) => taking.position === position;

    // Away from home only while the hand stays.
    for (const { name, isHome, position } of here)
      if (!isHome) program.constrain([[1, name], ...minus(where(index - 1, at(position)), 1)], '<=', 0);

    // Shares of the way from each position to each, and from each string and finger to each: they sum up to the
    // choices on either side, so that prices of pairs stay linear.
    const stays: (readonly [number, string])[] = [];
    transport(
      program,
      positionsBefore.map((from) => ({ key: String(from), of: where(index - 1, at(from)) })),
      positionsHere.map((to) => ({ key: String(to), of: where(index, at(to)) })),
      (from, to) => {
        const [a, b] = [Number(from), Number(to)];
        const name = `move_${index}_${a}_${b}`;
        if (a === b) stays.push([1, name]);
        const distance = Math.abs(neck.tip[b]! - neck.tip[a]!) / MILLIMETRES_PER_CENTIMETRE;
        program.amount(name, a === b ? 0 : costs.shift + costs.shiftDistance * distance * hurry);
        return name;
      },
    );

    /** A price on a pair that is asked only while the hand stays where it is. */
    const whileStaying = (pair: string, price: number): void => {
      const both = program.amount(`stay_${pair}`, price);
      program.constrain([[1, both], [-1, pair], ...stays.map(([, stay]) => [-1, stay] as const)], '>=', -1);
    };
    const touches = (of: number) =>
      notes[of]!.places.flatMap((place) => FINGERS.map((finger) => ({ ...place, finger })));
    const side = (of: number) =>
      touches(of).map((touch) => ({
        touch,
        key: `${touch.string}${touch.finger}`,
        of: where(of, ({ string, finger }) => string === touch.string && finger === touch.finger),
      }));
    const [left, right] = [side(index - 1), side(index)];
    transport(program, left, right, (fromKey, toKey) => {
      const from = left.find(({ key }) => key === fromKey)!.touch;
      const to = right.find(({ key }) => key === toKey)!.touch;
      const name = `touch_${index}_${fromKey}_${toKey}`;
      const span = Math.abs(from.string - to.string) + 1;
      const skipped = costs.stringSkip * Math.max(0, span - 2);
      if (from.finger !== to.finger) {
        program.amount(name, skipped);
        // The fingers pass over each other when their order is not that of the frets and the hand stays.
        const isCrossing = to.fret !== from.fret && to.fret < from.fret === to.finger > from.finger;
        if (isCrossing) whileStaying(name, from.string === to.string ? costs.crossOver : costs.crossInHand);
        return name;
      }
      if (from.string !== to.string) {
        // The same finger again on another string: a jump, or for the index on one fret a barre laid for it.
        const isLaid = from.fret === to.fret && to.finger === 1;
        const jump = isLaid ? Math.min(hop, barreAt(from.fret) + costs.barreString * span) : hop;
        return program.amount(name, skipped + jump);
      }
      // It slides, which needs no placing; without a shift that is a leap within the position.
      program.amount(name, costs.slideLast - costs.place);
      whileStaying(name, costs.slideInPosition - costs.slideLast);
      return name;
    });
  }
  return program.text();
};
