export const LEFT_FINGERS = [0, 1, 2, 3, 4] as const;
/** 0 is the open string, 1 the index, 4 the little finger. */
export type LeftFinger = (typeof LEFT_FINGERS)[number];

export const PLUCKS = ['p', 'i', 'm', 'a', 'c'] as const;
/** Right hand: thumb, index, middle, ring; the little finger only in strums. */
export type Pluck = (typeof PLUCKS)[number];

export const REMEDIES = ['leave-out', 'octave-up', 'octave-down', 'short'] as const;
/**
 * What a teacher does with a note that no hand can hold: leave it out, play it an octave away, or let it go at the
 * next moment instead of holding it.
 */
export type Remedy = (typeof REMEDIES)[number];

export const STROKE_FINGERS = ['p', 'i', 'm', 'a'] as const;
/** The fingers that pluck single strings. */
export type StrokeFinger = (typeof STROKE_FINGERS)[number];

/** Schools of the right hand: how single lines alternate. Handbook §4. */
export const RIGHT_SCHOOLS = [
  'free',
  'strict-im',
  'strict-mi',
  'three-finger',
  'thumb-index',
  'finger-per-string',
] as const;
export type RightSchool = (typeof RIGHT_SCHOOLS)[number];
