import type { PracticeJson } from '../practice/practice-json.ts';
import { careFor, type SpotDrill } from '../practice/spot-drills.ts';
import type { Spot, SpotKind } from '../practice/spots.ts';
import { barLabel, type Score } from '../score/score.ts';
import { yesNo, type Wording } from './wording.ts';

export const spotKindName = ({ say }: Wording, kind: SpotKind): string => say(`practice.kind.${kind}`);
export const spotDrillName = ({ say }: Wording, drill: SpotDrill): string => say(`practice.drill.${drill}`);

/** The printed numbers of the bars of a spot: `9`, `9–10`. */
export const spotBars = ({ bars }: Pick<Score, 'bars'>, { from, to }: Pick<Spot, 'from' | 'to'>): string =>
  from === to ? barLabel(bars[from]!) : `${barLabel(bars[from]!)}–${barLabel(bars[to]!)}`;

/** The title of a drill cut from a piece: `One Thread, bars 9–10: staccato`. */
export const spotDrillTitle = (wording: Wording, score: Score, spot: Spot, drill: SpotDrill): string =>
  wording.say('practice.drill-title', {
    title: score.title,
    bars: spotBars(score, spot),
    several: yesNo(spot.from !== spot.to),
    drill: spotDrillName(wording, drill),
  });
export const spotCare = ({ say }: Wording, kind: SpotKind): string => say(`drill.care.${careFor(kind)}`);

type Part = PracticeJson['days'][number]['parts'][number];

/** A practice plan as a table that a person can read. */
export const practiceTable = (wording: Wording, { pieces, days, goals }: PracticeJson): string => {
  const { say } = wording;
  const titleOf = (piece: string): string => pieces.find((each) => each.piece === piece)?.title || piece;
  const placeOf = (piece: string, id: string) => {
    const { from, to } = pieces.find((each) => each.piece === piece)!.spots.find(({ spot }) => spot === id)!;
    return {
      title: titleOf(piece),
      bars: from === to ? String(from) : `${from}–${to}`,
      several: yesNo(from !== to),
    };
  };
  const partText = (part: Part): string => {
    if (part.kind === 'spot' || part.kind === 'again')
      return say(`practice.part.${part.kind}`, { ...placeOf(part.piece, part.spot), tempo: part.tempo });
    return say(`practice.part.${part.kind}`);
  };
  const spots = pieces.flatMap(({ piece, spots: own, target }) =>
    own.map(
      ({ spot, kind, rungs, drills }) =>
        `  ${say('practice.spot', {
          ...placeOf(piece, spot),
          kind: spotKindName(wording, kind),
          start: rungs[0]!,
          target,
          drills: drills.map((drill) => spotDrillName(wording, drill)).join('; '),
        })}`,
    ),
  );
  return [
    say('practice.spots', { count: spots.length }),
    ...spots,
    '',
    ...days.flatMap(({ date, parts }) => [
      date,
      ...parts.map(
        (part) => `  ${say('practice.minutes', { minutes: part.minutes }).padStart(6)}  ${partText(part)}`,
      ),
    ]),
    '',
    ...goals.map(({ piece, until, ready, moves }) =>
      say('practice.goal', {
        title: titleOf(piece),
        until,
        ready: ready ?? '',
        moves: !moves ? 'no' : ready === null ? 'never' : 'soon',
      }),
    ),
  ].join('\n');
};
