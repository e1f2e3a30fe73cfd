import { STRINGS } from '../../instrument/guitar.ts';
import { assignmentsOf, type StruckSound } from './assignments.ts';
import type { Hand, NeckTables } from './hand.ts';

/** Why some notes cannot be held at once; notes are given by their place among those asked about. */
export type GripTrouble =
  | { readonly kind: 'nowhere'; readonly note: number }
  | { readonly kind: 'one-string'; readonly notes: readonly [number, number]; readonly string: number }
  | { readonly kind: 'too-far'; readonly notes: readonly [number, number] }
  | { readonly kind: 'too-many-strings' }
  | { readonly kind: 'too-many-fingers' };

/**
 * The simplest reason why no grip holds all of some notes, or undefined when one does: a note that lies nowhere, two
 * notes that need one string or lie too far apart, or a whole for which strings or fingers do not suffice.
 */
export const gripTrouble = (
  struck: readonly StruckSound[],
  hand: Hand,
  neck: NeckTables,
): GripTrouble | undefined => {
  // So many need no trying: the ways to take them without a grip are too many to be gone through.
  const isBeyondHand = struck.length > STRINGS.length;
  if (!isBeyondHand && assignmentsOf(struck, hand, neck).length > 0) return undefined;
  const nowhere = struck.findIndex((sound) => assignmentsOf([sound], hand, neck).length === 0);
  if (nowhere >= 0) return { kind: 'nowhere', note: nowhere };
  if (isBeyondHand) return { kind: 'too-many-strings' };
  for (let a = 0; a < struck.length; a += 1)
    for (let b = a + 1; b < struck.length; b += 1) {
      if (assignmentsOf([struck[a]!, struck[b]!], hand, neck).length > 0) continue;
      const strings = new Set([...struck[a]!.places, ...struck[b]!.places].map(({ string }) => string));
      const [string] = strings;
      return strings.size === 1
        ? { kind: 'one-string', notes: [a, b], string: string! }
        : { kind: 'too-far', notes: [a, b] };
    }
  const strings = new Set(struck.flatMap(({ places }) => places.map(({ string }) => string)));
  return { kind: struck.length > strings.size ? 'too-many-strings' : 'too-many-fingers' };
};
