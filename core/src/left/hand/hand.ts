import { FINGER_PAIRS, type FingerPair, type HandSize } from '../../fingering/vocabulary.ts';
import {
  fingertipOffset,
  fretWidth,
  millimetres,
  type Guitar,
  type Millimetres,
} from '../../instrument/guitar.ts';

export interface Span {
  /** Opens without strain. */
  readonly comfortable: Millimetres;
  /** Opens at all. */
  readonly maximum: Millimetres;
}

/** How far the fingers of a left hand open along the neck, measured between fingertips. */
export interface Hand {
  readonly name: string;
  readonly spans: Readonly<Record<FingerPair, Span>>;
}

const span = (comfortable: number, maximum: number): Span => ({
  comfortable: millimetres(comfortable),
  maximum: millimetres(maximum),
});

/** Working values of the left-hand model, in mm; to be replaced by a student's measured spans. */
const MEDIUM: Readonly<Record<FingerPair, Span>> = {
  '1-2': span(36, 92),
  '2-3': span(30, 70),
  '3-4': span(30, 70),
  '1-3': span(64, 125),
  '2-4': span(60, 110),
  '1-4': span(94, 150),
};

const scaled = (factor: number): Hand['spans'] =>
  Object.fromEntries(
    FINGER_PAIRS.map((pair) => [
      pair,
      span(MEDIUM[pair].comfortable * factor, MEDIUM[pair].maximum * factor),
    ]),
  ) as Record<FingerPair, Span>;

/** Shares of the medium hand. Common practice, no published source. */
export const HAND_SIZES: Readonly<Record<HandSize, number>> = { small: 0.88, medium: 1, large: 1.1 };

export const handOf = (size: HandSize): Hand => ({ name: size, spans: scaled(HAND_SIZES[size]) });

/** A hand from measured comfortable spans in mm; pairs not measured, and the widest spans, follow the medium hand. */
export const measuredHand = (comfortable: Readonly<Partial<Record<FingerPair, number>>>): Hand => {
  const measured = FINGER_PAIRS.filter((pair) => comfortable[pair] !== undefined);
  const shares = measured.map((pair) => comfortable[pair]! / MEDIUM[pair].comfortable);
  const share = shares.length > 0 ? shares.reduce((sum, each) => sum + each, 0) / shares.length : 1;
  return {
    name: 'measured',
    spans: Object.fromEntries(
      FINGER_PAIRS.map((pair) => {
        const own = comfortable[pair] ?? MEDIUM[pair].comfortable * share;
        const ratio = own / MEDIUM[pair].comfortable;
        return [pair, span(own, Math.max(own, MEDIUM[pair].maximum * ratio))];
      }),
    ) as Record<FingerPair, Span>,
  };
};

export const spanOf = (hand: Hand, lower: number, higher: number): Span =>
  hand.spans[`${lower}-${higher}` as FingerPair];

/** How far a medium hand opens for what a hand opens by 1: more than 1 for a small hand. By lower and higher finger. */
export const reachOf = (hand: Hand, lower: number, higher: number): number =>
  MEDIUM[`${lower}-${higher}` as FingerPair].comfortable / spanOf(hand, lower, higher).comfortable;

/** Scale length, in mm, for which the costs of reaching are stated. */
const REFERENCE_SCALE = 650;

/** Fret width, in mm, at which the costs of reaching are stated. */
export const REFERENCE_FRET_WIDTH = 34;

/** Frets that tables are made for: beyond any fingerboard, so that harmonics fit too. */
export const TABLE_FRETS = 32;

/** The highest fret under a hand in first position. */
export const FIRST_POSITION_END = 4;

/** Geometry of one guitar as flat tables by fret, in mm; frets count from the capo. */
export interface NeckTables {
  readonly tip: Float64Array;
  readonly width: Float64Array;
  /** Length of the strings as a share of the one for which costs are stated. */
  readonly scale: number;
}

export const neckTables = (guitar: Guitar): NeckTables => {
  const tip = new Float64Array(TABLE_FRETS);
  const width = new Float64Array(TABLE_FRETS);
  for (let fret = 1; fret < TABLE_FRETS; fret += 1) {
    tip[fret] = fingertipOffset(fret + guitar.capo, guitar.scaleLength);
    width[fret] = fretWidth(fret + guitar.capo, guitar.scaleLength);
  }
  return { tip, width, scale: guitar.scaleLength / REFERENCE_SCALE };
};
