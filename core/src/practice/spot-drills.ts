import type { DrillCare } from './drills/drill-kind.ts';
import type { SpotKind } from './spots.ts';

/** Ways to practise a spot. */
export const SPOT_DRILLS = [
  'blocks',
  'without-pressing',
  'landing-finger',
  'with-ride',
  'staccato',
  'legato',
  'higher-on-neck',
  'barre-alone',
  'shape-without-sound',
  'set-and-release',
  'held-finger',
  'tune-alone',
  'bass-alone',
  'right-hand-alone',
  'moved-accents',
  'other-right-hand',
  'fewer-notes',
  'bursts',
  'left-hand-alone',
  'together',
  'slurred-pair',
  'lower-finger-down',
  'in-rhythm',
  'dotted-rhythm',
  'open-and-damp',
] as const;
export type SpotDrill = (typeof SPOT_DRILLS)[number];

/** The drills that fit each kind of spot, the easiest first. Handbook §8, common practice, no published source. */
export const DRILLS_FOR: Readonly<Record<SpotKind, readonly SpotDrill[]>> = {
  shift: ['blocks', 'without-pressing', 'landing-finger', 'with-ride', 'staccato', 'legato'],
  stretch: ['higher-on-neck', 'blocks', 'legato'],
  barre: ['barre-alone', 'shape-without-sound', 'set-and-release', 'legato'],
  'held-voice': ['held-finger', 'tune-alone', 'together'],
  'finger-change': ['blocks', 'without-pressing', 'in-rhythm'],
  crossing: ['right-hand-alone', 'moved-accents', 'other-right-hand'],
  repetition: ['fewer-notes', 'right-hand-alone', 'dotted-rhythm', 'bursts'],
  coordination: ['right-hand-alone', 'left-hand-alone', 'together', 'staccato', 'dotted-rhythm', 'legato'],
  slur: ['slurred-pair', 'lower-finger-down', 'in-rhythm'],
  damping: ['open-and-damp', 'bass-alone', 'together'],
};

/** What is to be minded when a spot is practised. */
export const careFor = (kind: SpotKind): DrillCare =>
  kind === 'stretch' ? 'stretch' : kind === 'barre' ? 'barre' : 'repetition';
