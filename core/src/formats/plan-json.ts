import { quartersText } from '../music/time.ts';
import type { Plan } from '../plan/plan.ts';
import type { Finding } from '../review/finding.ts';
import { noteAtPlace, placeOf } from './json-place.ts';
import { movementsJson } from './movements-json.ts';

/** How long each part of the work took, in ms. */
export interface PlanTimings {
  readonly parse: number;
  readonly left: number;
  readonly right: number;
}

/** Bars to report, counted from 1, both included. */
export interface BarRange {
  readonly from: number;
  readonly to: number;
}

const round = (value: number, digits = 4): number => Number(value.toFixed(digits));

const rounded = (costs: Readonly<Record<string, number>>): Record<string, number> =>
  Object.fromEntries(Object.entries(costs).map(([term, amount]) => [term, round(amount)]));

/**
 * The plan as `oculon.plan/1`, the format that other programs read; fields are only ever added to it. `say` puts a
 * finding into words.
 */
export const planJson = (
  plan: Plan,
  timings: PlanTimings,
  say: (finding: Finding) => string,
  range?: BarRange,
) => {
  const { score, left, right } = plan;
  const isWanted = ({ bar }: { readonly bar: number }) => !range || (bar >= range.from && bar <= range.to);
  return {
    schema: 'oculon.plan/1' as const,
    piece: {
      title: score.title,
      bars: score.bars.length,
      notes: score.notes.length,
      tempo: plan.setup.tempo ?? score.tempi[0]!.quartersPerMinute,
    },
    notes: score.notes
      .map((note) => {
        const own = plan.notes[note.index]!;
        return {
          ...noteAtPlace(score, note),
          midi: note.midi,
          string: own.string ?? null,
          fret: own.fret ?? null,
          finger: own.finger ?? null,
          barre: own.barre,
          pluck: own.pluck ?? null,
          locked: own.locked,
          cost: rounded(own.cost),
        };
      })
      .filter(isWanted),
    shifts: plan.shifts
      .map(({ onset, from, to, rides, distance, window }) => ({
        ...placeOf(score, onset),
        from,
        to,
        // The format knows six rides; a staccato gives the same silence as a short rest.
        rides: rides === 'staccato' ? ('rest' as const) : rides,
        mm: round(distance, 1),
        ms: round(window, 0),
      }))
      .filter(isWanted),
    barres: plan.barres
      .map(({ onset, until, fret, strings }) => {
        const end = placeOf(score, until);
        return { ...placeOf(score, onset), untilBar: end.bar, untilBeat: end.beat, fret, strings };
      })
      .filter(isWanted),
    ...movementsJson(plan, isWanted),
    damping: plan.damping
      .map(({ onset, string, grade, means, cost }) => ({
        ...placeOf(score, onset),
        string,
        grade,
        means,
        cost,
      }))
      .filter(isWanted),
    jumps: plan.jumps
      .map(({ from, to, price, shift }) => ({
        bar: from + 1,
        toBar: to + 1,
        price: round(price),
        from: shift?.from ?? null,
        to: shift?.to ?? null,
        mm: shift ? round(shift.distance, 1) : null,
        ms: shift ? round(shift.window, 0) : null,
      }))
      .filter(isWanted),
    findings: plan.findings
      .map((finding) => ({
        code: finding.code,
        severity: finding.severity,
        bar: finding.bar + 1,
        beat: quartersText(finding.beat, score.ticksPerQuarter),
        message: say(finding),
      }))
      .filter(isWanted),
    cost: {
      left: round(left.cost),
      right: round(right.cost),
      terms: rounded({ ...left.terms, ...right.terms }),
    },
    ms: { parse: round(timings.parse, 1), left: round(timings.left, 1), right: round(timings.right, 1) },
  };
};

export type PlanJson = ReturnType<typeof planJson>;
