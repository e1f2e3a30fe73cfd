import type { Plan } from '../plan/plan.ts';
import { cutMoments, liftMoments } from './ending-moments.ts';
import { barreMoments, keepMoments, positionMoments, settingMoments } from './left-moments.ts';
import { IMPORTANCE, type Moment } from './moment.ts';
import { placeMoments } from './place-moments.ts';
import { returnMoments } from './return-moments.ts';
import { dampingMoments, reserveMoments, strokeMoments, touchMoments } from './right-moments.ts';
import { slurMoments } from './slur-moments.ts';
import { troubleMoments } from './trouble-moments.ts';

/** Everything that both hands do beyond what the page shows, in playing order; at one moment what matters most first. */
export const momentsOf = (plan: Plan): readonly Moment[] =>
  [
    ...returnMoments(plan),
    ...positionMoments(plan),
    ...barreMoments(plan),
    ...keepMoments(plan),
    ...settingMoments(plan),
    ...placeMoments(plan),
    ...strokeMoments(plan),
    ...touchMoments(plan),
    ...dampingMoments(plan),
    ...troubleMoments(plan),
    ...slurMoments(plan),
    ...cutMoments(plan),
    ...liftMoments(plan),
    ...reserveMoments(plan),
  ].sort(
    (a, b) => a.bar - b.bar || a.onset - b.onset || IMPORTANCE.indexOf(a.kind) - IMPORTANCE.indexOf(b.kind),
  );
