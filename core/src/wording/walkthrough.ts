import { sentenceId, type SentenceId } from '../fingering/own-words.ts';
import { romanNumeral } from '../formats/musicxml/marks/mark-text.ts';
import { stringSign, stringSigns } from '../instrument/string-sign.ts';
import type { Plan } from '../plan/plan.ts';
import { hardBars } from '../review/difficulty.ts';
import { placedNote } from '../walk/left-moments.ts';
import { factsOf, type Moment, type MomentKind } from '../walk/moment.ts';
import { momentsOf } from '../walk/moments.ts';
import { shapesOf } from '../walk/shapes.ts';
import { toldByBar, toldByPhrase, type Depth } from '../walk/telling.ts';
import { asSentence, barsText, beatWords, momentText, whereText } from './walk-words.ts';
import { yesNo, type Wording } from './wording.ts';

/** A sentence with where it belongs. */
export interface WalkSentence {
  readonly id: SentenceId;
  readonly kind: MomentKind | 'positions' | 'danger' | 'shape' | 'beat' | 'added';
  /** Bar, counted from 0, and the tick from the start of the piece. */
  readonly bar: number;
  readonly onset: number;
  readonly text: string;
  /** What the plan says here, where a teacher says something else. */
  readonly planned?: string;
}

/** Some bars, counted from 0, and what is said of them. */
export interface WalkLine {
  readonly from: number;
  readonly to: number;
  readonly depth: Depth;
  readonly sentences: readonly WalkSentence[];
}

/** A piece as a teacher walks a student through it. Bars in slow motion stand under their bar when `withSlow` is set. */
export const walkThrough = (
  wording: Wording,
  plan: Plan,
  depth: Depth,
  { withSlow = false }: { readonly withSlow?: boolean } = {},
): readonly WalkLine[] => {
  switch (depth) {
    case 'brief':
      return brief(wording, plan);
    case 'shapes':
      return shapes(wording, plan);
    case 'bars':
      return barByBar(wording, plan, withSlow);
    case 'slow':
      return plan.score.bars.flatMap(({ index }) => slowMotion(wording, plan, index));
  }
};

const brief = (wording: Wording, plan: Plan): readonly WalkLine[] => {
  const { score } = plan;
  return toldByPhrase(plan).map(({ from, to, positions, moments, danger }): WalkLine => {
    const at = { bar: from, onset: score.bars[from]!.start };
    const isReturn = moments[0]?.kind === 'return';
    const list = positions.map(romanNumeral).join('–');
    const sentences: WalkSentence[] =
      isReturn || positions.length === 0
        ? []
        : [
            {
              id: sentenceId('positions', at.onset, positions),
              kind: 'positions',
              ...at,
              text: wording.say('walk.brief.positions', { count: new Set(positions).size, list }),
            },
          ];
    for (const moment of moments) sentences.push(sentenceOf(wording, plan, moment));
    if (danger)
      sentences.push({
        id: sentenceId('danger', danger.onset, factsOf(danger)),
        kind: 'danger',
        bar: danger.bar,
        onset: danger.onset,
        text: wording.say('walk.brief.danger', {
          bar: score.bars[danger.bar]!.number || String(danger.bar + 1),
          sentence: momentText(wording, score, danger),
        }),
      });
    return { from, to, depth: 'brief', sentences };
  });
};

/** The sentence of a moment where it belongs. */
const sentenceOf = (wording: Wording, { score }: Plan, moment: Moment): WalkSentence => ({
  id: sentenceId(moment.kind, moment.onset, factsOf(moment)),
  kind: moment.kind,
  bar: moment.bar,
  onset: moment.onset,
  text: momentText(wording, score, moment),
});

const barByBar = (wording: Wording, plan: Plan, withSlow: boolean): readonly WalkLine[] => {
  const { performance } = plan;
  const hard: ReadonlySet<number> = withSlow ? hardBars(performance) : new Set();
  return toldByBar(plan, momentsOf(plan)).flatMap(({ from, to, moments }): WalkLine[] => {
    const sentences = moments.map((moment) => sentenceOf(wording, plan, moment));
    const isBack = moments.some(({ kind }) => kind === 'return');
    const slow = !isBack && hard.has(from) ? slowMotion(wording, plan, from) : [];
    return [{ from, to, depth: 'bars', sentences }, ...slow];
  });
};

const shapes = (wording: Wording, plan: Plan): readonly WalkLine[] => {
  const { score, left } = plan;
  const { say, all } = wording;
  const inOrder = shapesOf(plan);
  const lines = new Map<number, WalkSentence[]>();
  inOrder.forEach(({ from, shape, chord }, index) => {
    const { bar, onset } = left.hands[from]!.slice;
    const next = inOrder[index + 1];
    const stopped = shape.filter(({ finger }) => finger > 0);
    const staying = stopped.filter((each) =>
      next?.shape.some(
        (other) => other.finger === each.finger && other.string === each.string && other.fret === each.fret,
      ),
    );
    const text = say('walk.shape', {
      when: beatWords(wording, score, onset),
      named: yesNo(chord !== undefined),
      chord: chord ?? '',
      stopped: yesNo(stopped.length > 0),
      fingers: all(shapeFingers(wording, stopped)),
      open: stringSigns(shape.filter(({ finger }) => finger === 0).map(({ string }) => string)) || 'none',
      stays: staying.length > 0 ? all([...new Set(staying.map(({ finger }) => String(finger)))]) : 'none',
      many: yesNo(new Set(staying.map(({ finger }) => finger)).size > 1),
    });
    lines.set(bar, [
      ...(lines.get(bar) ?? []),
      { id: sentenceId('shape', onset, [shape, staying]), kind: 'shape', bar, onset, text: asSentence(text) },
    ]);
  });
  return [...lines].map(([bar, sentences]): WalkLine => ({ from: bar, to: bar, depth: 'shapes', sentences }));
};

/** Fingers of a shape from the bass string up; one that lies flat is named once. */
const shapeFingers = (
  { say }: Wording,
  stopped: readonly { readonly string: number; readonly fret: number; readonly finger: number }[],
): readonly string[] => {
  const fingers = [...new Set(stopped.map(({ finger }) => finger))];
  return fingers.map((finger) => {
    const own = stopped.filter((each) => each.finger === finger);
    return say('walk.shape-finger', {
      finger,
      strings: stringSigns(own.map(({ string }) => string)),
      fret: own[0]!.fret,
    });
  });
};

/** One bar moment by moment: what each hand does, what lies already, what leaves. */
const slowMotion = (wording: Wording, plan: Plan, bar: number): readonly WalkLine[] => {
  const { score, left, right, technique } = plan;
  const { say, all } = wording;
  const sentences = left.hands
    .filter(({ slice }) => slice.bar === bar)
    .map(({ slice, lying }): WalkSentence => {
      const struck = slice.struck.flatMap((sound) => placedNote(plan, sound) ?? []);
      const plays = struck.map((note) => {
        const where = whereText(wording, note);
        const { slurredFrom } = score.notes[left.sounds[note.sound]!.head]!;
        const pluck = right.choices[note.sound]?.pluck;
        return slurredFrom && !pluck
          ? say('walk.slow.slurred', { where })
          : say('walk.slow.strike', { pluck: pluck ?? 'none', where });
      });
      const staying = lying.filter(({ finger, sound }) => finger > 0 && !slice.struck.includes(sound));
      const down = staying.map(({ finger, string }) =>
        say('walk.short-note', { finger, string: stringSign(string) }),
      );
      const leaving = technique.stays.filter(
        ({ to, leaves }) => to === slice.index && leaves === 'string-needed',
      );
      const lifts = leaving.map(({ finger, strings }) =>
        say('walk.short-note', { finger, string: stringSigns(strings) }),
      );
      const text = [
        ...(lifts.length > 0 ? [say('walk.slow.lifts', { fingers: all(lifts) })] : []),
        ...(plays.length > 0
          ? [say('walk.slow.plays', { when: beatWords(wording, score, slice.onset), plays: all(plays) })]
          : []),
        ...(down.length > 0 ? [say('walk.slow.down', { fingers: all([...new Set(down)]) })] : []),
      ];
      const played = struck.map(({ sound, finger, string, fret }) => [
        finger,
        string,
        fret,
        right.choices[sound]?.pluck,
      ]);
      const id = sentenceId('beat', slice.onset, [
        played,
        staying.map(({ finger, string }) => [finger, string]),
        leaving.map(({ finger, strings }) => [finger, ...strings]),
      ]);
      return { id, kind: 'beat', bar, onset: slice.onset, text: text.map(asSentence).join(' ') };
    })
    .filter(({ text }) => text !== '');
  return sentences.length > 0 ? [{ from: bar, to: bar, depth: 'slow', sentences }] : [];
};

/** The printed heading of a line: `Bar 5`, `Bars 1–4`. */
export const walkHeading = (
  wording: Wording,
  plan: Plan,
  { from, to }: Pick<WalkLine, 'from' | 'to'>,
): string => asSentence(barsText(wording, plan.score, from, to));
