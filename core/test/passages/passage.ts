import { midiOf, parsePitch } from '../../src/music/pitch.ts';
import { placesOf, STANDARD_GUITAR } from '../../src/instrument/guitar.ts';
import type { LeftSchool } from '../../src/fingering/vocabulary.ts';

/**
 * A short passage with the fingerings that a good player would accept. All of them are our own; the fingerings are
 * common practice, no published source.
 */
export interface Passage {
  readonly name: string;
  /** Heading of the handbook's chapter on the left hand. */
  readonly heading: Heading;
  /** Voices in the example notation. */
  readonly voices: readonly string[];
  /**
   * Accepted fingerings. One token for each struck note, voice after voice: `5:3` is string ⑤ with finger 3, `2:0|3:4`
   * leaves a choice, `*` accepts anything.
   */
  readonly accept: readonly string[];
  readonly tempo?: number;
  readonly school?: LeftSchool;
}

export const HEADINGS = [
  'held notes',
  'grips',
  'shifts',
  'guide fingers',
  'common fingers',
  'no hopping',
  'barre',
  'voice on one string',
  'campanella',
  'weak fingers',
  'ringing',
  'early placement',
  'first position',
] as const;
export type Heading = (typeof HEADINGS)[number];

const midi = (name: string): number => {
  const pitch = parsePitch(name);
  if (!pitch) throw new RangeError(`${name} is no pitch`);
  return midiOf(pitch);
};

/** Each note where it lies lowest on the neck, each finger on its fret: what is taught first. */
export const firstPosition = (notes: string): string =>
  notes
    .split(' ')
    .filter((token) => token !== '|')
    .map((token) => {
      const places = placesOf(STANDARD_GUITAR, midi(token.split('/')[0]!) as never);
      const lowest = places.reduce((a, b) => (b.fret < a.fret ? b : a));
      if (lowest.fret === 0) {
        // An open string may also be stopped by 4 on the next lower one, where that lies within reach.
        const stopped = places.find(({ fret, string }) => fret === 4 && string === lowest.string + 1);
        return stopped ? `${lowest.string}:0|${stopped.string}:4` : `${lowest.string}:0`;
      }
      return `${lowest.string}:${Math.min(4, lowest.fret)}`;
    })
    .join(' ');

/** Notes of equal length in the example notation. */
export const line = (notes: string, length = 8): string =>
  notes
    .split(' ')
    .map((note) => (note === '|' ? note : `${note}/${length}`))
    .join(' ');

/** A name, the voices, and accepted fingerings. */
export type Fingered = readonly [name: string, voices: readonly string[], ...accept: string[]];

/** The same with a single voice. */
export type FingeredLine = readonly [name: string, voice: string, ...accept: string[]];

/** Passages of one heading, under a school where one is asked for. */
export const under = (
  heading: Heading,
  fingered: readonly Fingered[],
  school?: LeftSchool,
): readonly Passage[] =>
  fingered.map(([name, voices, ...accept]) => ({ name, heading, voices, accept, ...(school && { school }) }));

export const linesUnder = (heading: Heading, fingered: readonly FingeredLine[]): readonly Passage[] =>
  under(
    heading,
    fingered.map(([name, voice, ...accept]): Fingered => [name, [voice], ...accept]),
  );
