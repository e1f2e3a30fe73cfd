import { openPitch, type StringNumber } from '../instrument/guitar.ts';
import { sharpSpelling } from '../music/pitch.ts';
import type { Plan } from '../plan/plan.ts';
import { buildScore } from '../score/draft/build-score.ts';
import type { Score } from '../score/score.ts';
import { asPiece, even, type DrillNote } from './drills/bars.ts';
import type { Spot } from './spots.ts';

/** Cuts that set shapes of the left hand one after the other, whatever is played with them in the piece. */
export const HELD_CUTS = ['blocks', 'higher-on-neck', 'barre-alone'] as const;
export type HeldCut = (typeof HELD_CUTS)[number];
export const isHeldCut = (cut: string): cut is HeldCut => (HELD_CUTS as readonly string[]).includes(cut);

/** A wide grip is begun so many frets higher, where frets are narrow; our own value. */
const HIGHER_BY = 5;
/** Above it the body is in the way. */
const HIGHEST_FRET = 12;

interface Placed {
  readonly string: number;
  readonly fret: number;
  readonly finger: number;
}

const chord = (plan: Plan, placed: readonly Placed[]): DrillNote => {
  const low = placed.toSorted((a, b) => b.string - a.string);
  return {
    pitches: low.map(({ string, fret }) =>
      sharpSpelling(openPitch(plan.setup.guitar, string as StringNumber) + fret),
    ),
    fingering: low.map(({ string, finger }) => ({ string, finger })),
  };
};

/** The shapes that lie in a spot, in playing order, none twice in a row. */
const shapesIn = ({ technique, left }: Plan, { start, end }: Spot): readonly (readonly Placed[])[] =>
  technique.blocks
    .filter(({ from, to }) => {
      const first = left.hands[from]!.slice.onset;
      const after = left.hands[to]?.slice.onset ?? Infinity;
      return first <= end && after > start;
    })
    .map(({ shape }) => shape)
    .filter(
      (shape, index, all) =>
        shape.length > 0 && JSON.stringify(shape) !== JSON.stringify(all[index - 1] ?? null),
    );

/** How many frets a shape reaches over, open strings left out. */
const reach = (shape: readonly Placed[]): number => {
  const frets = shape.filter(({ fret }) => fret > 0).map(({ fret }) => fret);
  return frets.length > 0 ? Math.max(...frets) - Math.min(...frets) : 0;
};

/** The widest shape, higher on the neck first and a fret lower each time, down to where it is. */
const higherOnNeck = (shapes: readonly (readonly Placed[])[]): readonly (readonly Placed[])[] => {
  const widest = shapes.toSorted((a, b) => reach(b) - reach(a))[0];
  const stopped = widest?.filter(({ fret }) => fret > 0) ?? [];
  if (stopped.length < 2) return [];
  const room = HIGHEST_FRET - Math.max(...stopped.map(({ fret }) => fret));
  const higher = Math.max(0, Math.min(HIGHER_BY, room));
  return Array.from({ length: higher + 1 }, (_, step) =>
    stopped.map((place) => ({ ...place, fret: place.fret + higher - step })),
  );
};

/** The strings under each barre of a spot, stopped by its finger alone. */
const barresAlone = ({ technique }: Plan, { start, end }: Spot): readonly (readonly Placed[])[] =>
  technique.barres
    .filter(({ onset, until }) => onset <= end && until > start)
    .map(({ fret, finger, strings: [treble, bass] }) =>
      Array.from({ length: bass - treble + 1 }, (_, place) => ({ string: treble + place, fret, finger })),
    );

const MAKERS: Readonly<Record<HeldCut, (plan: Plan, spot: Spot) => readonly (readonly Placed[])[]>> = {
  blocks: shapesIn,
  'higher-on-neck': (plan, spot) => higherOnNeck(shapesIn(plan, spot)),
  'barre-alone': barresAlone,
};

/** Shapes of the left hand in a spot one after the other, each for two beats; undefined where there are none. */
export const heldScore = (
  plan: Plan,
  spot: Spot,
  cut: HeldCut,
  title: string,
  tempo: number,
): Score | undefined => {
  const shapes = MAKERS[cut](plan, spot);
  if (shapes.length === 0) return undefined;
  const halves = shapes.map((shape) => ({ ...even([chord(plan, shape)], 1)[0]!, type: 'half' as const }));
  const bars = Array.from({ length: Math.ceil(halves.length / 2) }, (_, bar) => ({
    voices: [halves.slice(2 * bar, 2 * bar + 2)],
  }));
  const { tuning, capo } = plan.score;
  return buildScore({ title, bars: asPiece(bars, { tempo }), ...(tuning && { tuning }), capo });
};
