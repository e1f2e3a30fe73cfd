import type { LeftSchool, LeftWeight, LeftWeights } from '../../fingering/vocabulary.ts';
import { LEFT_COST_RULES, type LeftCostName, type LeftCosts } from './costs.ts';

const BASE: LeftCosts = Object.fromEntries(
  Object.entries(LEFT_COST_RULES).map(([name, { value }]) => [name, value]),
) as Record<LeftCostName, number>;

/** How a school bends the base costs: factors by name. Handbook §3, schools of the left hand. */
const SCHOOL_FACTORS: Readonly<Record<LeftSchool, Partial<Record<LeftCostName, number>>>> = {
  balanced: {},
  positional: {
    settle: 1.8,
    stayHigh: 1.8,
    stayHighAlone: 1.8,
    upTheNeck: 1.8,
    shift: 1.25,
    highOnLowString: 1.5,
  },
  legato: {
    shiftGuided: 0.6,
    guideSlide: 0.5,
    stringSkip: 2.5,
    openAgainstHigh: 2,
    openInHighLine: 2,
    hop: 1.4,
    upTheNeck: 0.5,
    firstPositionAlone: 0.5,
  },
  campanella: {
    stringSkip: 0,
    stepAcross: 0,
    crossed: 0,
    openAgainstHigh: 0,
    openInHighLine: 0,
    liftRinging: 2,
    liftRingingMore: 2,
    liftBroken: 1.5,
    stopRinging: 1.5,
    highOnLowString: 0.5,
    upTheNeck: 0.5,
    firstPositionAlone: 0.5,
  },
};

/** What a school asks for that the others do not know at all, in units of effort. */
const SCHOOL_COSTS: Readonly<Partial<Record<LeftSchool, Partial<Record<LeftCostName, number>>>>> = {
  legato: { leaveString: 1, openInLine: 0.8 },
  campanella: { stayOnString: 3.2, stoppedInLine: 0.7 },
};

/** The costs that each weight of a teacher stands for. */
export const LEFT_WEIGHTS = {
  shifts: ['shift', 'shiftDistance'],
  stretches: [
    'stretch',
    'strain',
    'smallHand',
    'spread',
    'adjacentSpread',
    'weakPairSpread',
    'forwardBase',
    'forwardWidth',
    'indexBack',
  ],
  barres: [
    'barre',
    'barreWidth',
    'barreString',
    'barreHold',
    'barreAmongOpen',
    'smallBarre',
    'smallBarreBent',
    'smallBarreString',
    'smallBarreLittleString',
  ],
  'fourth-finger': ['finger4'],
  'high-positions': [
    'settle',
    'stayHigh',
    'stayHighAlone',
    'upTheNeck',
    'shapeUp',
    'fretUp',
    'highOnLowString',
    'pastTheBody',
  ],
  'open-among-stopped': ['openAgainstHigh', 'openInHighLine', 'openInLine'],
  'string-changes': ['stringSkip', 'stepAcross', 'crossed', 'leaveString'],
  hops: ['hop', 'slideInPosition', 'crossOver', 'crossInHand'],
} as const satisfies Readonly<Record<LeftWeight, readonly LeftCostName[]>>;

/** The costs of a school, bent by a teacher's own weights. */
export const leftCosts = (school: LeftSchool, weights: LeftWeights = {}): LeftCosts => {
  const factors = new Map<string, number>(Object.entries(SCHOOL_FACTORS[school]));
  for (const [weight, factor] of Object.entries(weights))
    for (const name of LEFT_WEIGHTS[weight as LeftWeight])
      factors.set(name, (factors.get(name) ?? 1) * factor);
  return Object.fromEntries(
    Object.entries({ ...BASE, ...SCHOOL_COSTS[school] }).map(([name, value]) => [
      name,
      value * (factors.get(name) ?? 1),
    ]),
  ) as Record<LeftCostName, number>;
};
