import type { CourseGoal } from '../practice/course.ts';
import { dayText, type Day } from '../practice/days.ts';
import type { Feeling, Pain, Work } from '../practice/log/entry.ts';
import type { SpotForecast } from '../practice/log/spot-record.ts';
import type { ToldSpot, WeekSummary } from '../practice/log/week-summary.ts';
import type { PlannedMeeting } from '../practice/calendar.ts';
import type { GoalState } from '../practice/course.ts';
import type { Outcome } from '../practice/ladder.ts';
import { spotDrillName } from './practice-words.ts';
import { yesNo, type Wording } from './wording.ts';

/** What of a goal is needed to name it and its spots. */
export type NamedGoal = Pick<CourseGoal, 'id' | 'title'> & {
  /** Printed numbers of the bars of each spot, by its id: `9–10`. */
  readonly bars: Readonly<Record<string, string>>;
};

export const outcomeName = ({ say }: Wording, outcome: Outcome): string => say(`log.outcome.${outcome}`);
export const feelingName = ({ say }: Wording, felt: Feeling): string => say(`log.felt.${felt}`);
export const painName = ({ say }: Wording, pain: Pain): string => say(`log.pain.${pain}`);
export const goalStateName = ({ say }: Wording, state: GoalState): string => say(`log.state.${state}`);
export const whyName = ({ say }: Wording, why: PlannedMeeting['why']): string => say(`log.why.${why}`);
/** What is said where something hurt. */
export const painCare = ({ say }: Wording): string => say('log.care.pain');

/** A day as people write it: `Thursday, 26 November`. */
export const dayName = ({ language }: Wording, day: Day, style: 'full' | 'short' = 'full'): string =>
  new Intl.DateTimeFormat(language === 'en' ? 'en-GB' : language, {
    timeZone: 'UTC',
    ...(style === 'full'
      ? { weekday: 'long', day: 'numeric', month: 'long' }
      : { day: 'numeric', month: 'short', year: 'numeric' }),
  }).format(new Date(dayText(day)));

/** What was or is practised, by name. */
export const workName = (wording: Wording, goals: readonly NamedGoal[], work: Work): string => {
  if (work.kind === 'warm-up') return wording.say('log.warm-up');
  const goal = goals.find(({ id }) => id === work.goal);
  if (work.kind === 'piece')
    return goal ? wording.say('log.piece', { title: goal.title }) : wording.say('log.gone');
  const bars = goal?.bars[work.spot];
  if (!goal || bars === undefined) return wording.say('log.gone');
  const values = { title: goal.title, bars, several: yesNo(bars.includes('–')) };
  return work.drill === null
    ? wording.say('log.spot', values)
    : wording.say('log.spot-drill', { ...values, drill: spotDrillName(wording, work.drill) });
};

/** A meeting with a spot as it stands in a calendar: piece, bars, tempo. */
export const meetingName = (
  wording: Wording,
  goals: readonly NamedGoal[],
  kind: 'spot' | 'again',
  { piece, spot, tempo }: PlannedMeeting,
): string => {
  const goal = goals.find(({ id }) => id === piece);
  const bars = goal?.bars[spot];
  if (!goal || bars === undefined) return wording.say('log.gone');
  return wording.say(`practice.part.${kind}`, {
    title: goal.title,
    bars,
    several: yesNo(bars.includes('–')),
    tempo: Math.round(tempo),
  });
};

export const forecastText = (wording: Wording, forecast: SpotForecast): string => {
  const day = (of: Day): string => dayName(wording, of, 'short');
  if (forecast.kind === 'reached') return wording.say('log.forecast.reached', { day: day(forecast.day) });
  if (forecast.kind === 'on-its-way')
    return wording.say('log.forecast.on-its-way', {
      day: day(forecast.day),
      from: day(forecast.from),
      until: day(forecast.until),
    });
  return forecast.kind === 'too-early'
    ? wording.say('log.forecast.too-early', { days: forecast.days, needed: forecast.needed })
    : wording.say('log.forecast.not-at-this-pace');
};

/** What some days brought, sentence by sentence, what matters most first. */
export const weekSummaryText = (
  wording: Wording,
  goals: readonly NamedGoal[],
  summary: WeekSummary,
): readonly string[] => {
  const { say } = wording;
  const nameOf = ({ goal, spot }: ToldSpot): string =>
    workName(wording, goals, { kind: 'spot', goal, spot, drill: null });
  const listed = (spots: readonly ToldSpot[]): string => wording.all(spots.map(nameOf));
  const { minutes, days, agreedDays, climbed, still, notMet, hard, pains, remarks } = summary;
  return [
    ...pains.map(({ day, pain }) =>
      say('log.week.pain', { day: dayName(wording, day), where: painName(wording, pain) }),
    ),
    days === 0 ? say('log.week.none') : say('log.week.minutes', { minutes, days, agreed: agreedDays }),
    ...climbed.map(({ from, to, reached, ...spot }) =>
      reached
        ? say('log.week.reached', { spot: nameOf(spot), to })
        : from === undefined
          ? say('log.week.begun', { spot: nameOf(spot), to })
          : say('log.week.climbed', { spot: nameOf(spot), from, to }),
    ),
    ...still.map(({ at, ...spot }) =>
      at === undefined
        ? say('log.week.still-begun', { spot: nameOf(spot) })
        : say('log.week.still', { spot: nameOf(spot), at }),
    ),
    ...(hard.length > 0 ? [say('log.week.hard', { spots: listed(hard) })] : []),
    ...(days > 0 && notMet.length > 0 ? [say('log.week.not-met', { spots: listed(notMet) })] : []),
    ...remarks.map(({ day, remark }) => say('log.week.remark', { day: dayName(wording, day), remark })),
  ];
};
