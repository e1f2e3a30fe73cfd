import type { FingerPair } from '../../fingering/vocabulary.ts';
import {
  fingertipOffset,
  fretOffset,
  fretWidth,
  millimetres,
  SCALE_LENGTHS,
  type Guitar,
} from '../../instrument/guitar.ts';
import { spanOf, type Hand } from '../../left/hand/hand.ts';

/** A fret of a neck, in mm; counted from the capo where there is one. */
export interface FretMeasures {
  readonly fret: number;
  /** From the nut, or from the capo, to the wire. */
  readonly offset: number;
  /** The space in which a finger stops it. */
  readonly width: number;
}

type Neck = Pick<Guitar, 'scaleLength' | 'capo' | 'frets'>;

/** Wires and spaces of a neck, in mm. With a capo the rest of the string is a shorter neck. */
export const fretMeasures = ({ scaleLength, capo, frets }: Neck): readonly FretMeasures[] => {
  const start = fretOffset(capo, scaleLength);
  return Array.from({ length: Math.max(0, frets - capo) }, (_, index) => ({
    fret: index + 1,
    offset: fretOffset(capo + index + 1, scaleLength) - start,
    width: fretWidth(capo + index + 1, scaleLength),
  }));
};

/** Distance between the tips of two fingers on two frets (counted from the capo), in mm. */
export const stretchBetween = ({ scaleLength, capo }: Neck, lower: number, higher: number): number =>
  fingertipOffset(capo + higher, scaleLength) - fingertipOffset(capo + lower, scaleLength);

/** How many frets further a span in mm reaches from every fret: on fret 1 a span of 100 may reach 3 frets further. */
export const reachFromFrets = (
  neck: Neck,
  span: number,
): readonly { readonly fret: number; readonly reach: number }[] =>
  fretMeasures(neck).map(({ fret }) => {
    let reach = 0;
    while (fret + reach + 1 <= neck.frets - neck.capo && stretchBetween(neck, fret, fret + reach + 1) <= span)
      reach += 1;
    return { fret, reach };
  });

/** How a stretch lies under a hand. */
export type Ease = 'comfortable' | 'possible' | 'out-of-reach';

/** A stretch on an instrument: its width in mm, and how it lies under the hand. */
export interface StretchOn {
  readonly scaleLength: number;
  readonly mm: number;
  readonly ease: Ease;
}

const easeOf = (hand: Hand, pair: FingerPair, mm: number): Ease => {
  const [lower, higher] = pair.split('-').map(Number) as [number, number];
  const { comfortable, maximum } = spanOf(hand, lower, higher);
  return mm <= comfortable ? 'comfortable' : mm <= maximum ? 'possible' : 'out-of-reach';
};

/** As many frets as any neck has. */
const TABLE_FRETS = 24;

/** A stretch of two fingers on instruments of the usual sizes, the largest first; with `capo` as it lies there. */
export const stretchOnInstruments = (
  hand: Hand,
  pair: FingerPair,
  lower: number,
  higher: number,
  capo = 0,
): readonly StretchOn[] =>
  SCALE_LENGTHS.map((scaleLength) => {
    const neck = { scaleLength: millimetres(scaleLength), capo, frets: TABLE_FRETS };
    const mm = stretchBetween(neck, lower, higher);
    return { scaleLength, mm, ease: easeOf(hand, pair, mm) };
  });
/** The lowest fret from which a stretch over so many frets is comfortable for two fingers; undefined when none is. */
export const comfortableFrom = (
  hand: Hand,
  pair: FingerPair,
  frets: number,
  neck: Neck,
): number | undefined =>
  fretMeasures(neck).find(
    ({ fret }) =>
      fret + frets <= neck.frets - neck.capo &&
      easeOf(hand, pair, stretchBetween(neck, fret, fret + frets)) === 'comfortable',
  )?.fret;
