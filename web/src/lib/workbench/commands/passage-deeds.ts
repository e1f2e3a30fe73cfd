import { barLabel, type Choice, type NoteId, type PassageRule, type RuleId } from '@oculon/core';
import type { Workbench } from '../workbench.svelte.ts';
import type { Command } from './command.ts';

/** Where the hand lies at the caret. */
const positionAt = ({ planned, caret }: Workbench): number => {
  const onset = caret.note?.onset ?? 0;
  return Math.max(1, planned.plan?.positions.findLast((hand) => hand.onset <= onset)?.position ?? 1);
};

/** Asks something of the bars that are selected, or of the bar at the caret. */
export const ask =
  (
    ruleFor: (bars: { readonly from: number; readonly to: number }, workbench: Workbench) => PassageRule,
  ): Command =>
  (workbench, onlyAsk) => {
    if (!workbench.planned.plan) return false;
    if (!onlyAsk)
      workbench.decisions.setRule(crypto.randomUUID() as RuleId, ruleFor(workbench.caret.bars, workbench));
    return true;
  };

export const stayInPosition = ask((bars, workbench) => ({
  kind: 'position',
  ...bars,
  position: positionAt(workbench),
}));
export const noOpenStrings = ask((bars) => ({ kind: 'stopped', ...bars }));
export const letRing = ask((bars) => ({ kind: 'ringing', ...bars, rings: true }));
export const stopAsWritten = ask((bars) => ({ kind: 'ringing', ...bars, rings: false }));
export const layBarre = ask((bars, workbench) => ({ kind: 'barre', ...bars, fret: positionAt(workbench) }));
export const noBarre = ask((bars) => ({ kind: 'no-barre', ...bars }));

/** Takes away what is asked of the bars that are selected. */
export const askNothing: Command = ({ decisions, caret }, onlyAsk) => {
  const { from, to } = caret.bars;
  const asked = [...decisions.fingering.rules].filter(([, rule]) => rule.from <= to && rule.to >= from);
  if (asked.length === 0) return false;
  if (!onlyAsk) decisions.dropRules(asked.map(([id]) => id));
  return true;
};

/** Takes up the fingering of the bars that are selected, to lay it on equal bars. */
export const takeUp: Command = (workbench, onlyAsk) => {
  if (!workbench.planned.plan) return false;
  if (!onlyAsk) {
    const { from, to } = workbench.caret.bars;
    const score = workbench.piece.score!;
    workbench.takenUp = { from, to };
    workbench.notice = `The fingering of ${from === to ? 'bar' : 'bars'} ${barLabel(score.bars[from]!)}${
      from === to ? '' : ` to ${barLabel(score.bars[to]!)}`
    } is taken up. Go to the first bar it shall lie on, and press Shift U.`;
  }
  return true;
};

/** The choices that lay the fingering taken up on the bars from the caret on; notes that are not there in both are left alone. */
const laidChoices = ({
  piece,
  planned,
  caret,
  takenUp,
}: Workbench): readonly (readonly [NoteId, Choice])[] => {
  const { score } = piece;
  if (!score || !takenUp || !planned.plan) return [];
  const shift = caret.bars.from - takenUp.from;
  if (shift === 0) return [];
  const placeOf = (note: (typeof score.notes)[number], bar: number): string =>
    `${bar}/${note.onset - score.bars[note.bar]!.start}/${note.midi}/${note.voice}`;
  const targets = new Map(
    score.notes
      .filter(({ tiedFrom }) => tiedFrom === undefined)
      .map((note) => [placeOf(note, note.bar), note] as const),
  );
  return score.notes
    .filter(({ bar, tiedFrom }) => tiedFrom === undefined && bar >= takenUp.from && bar <= takenUp.to)
    .flatMap((note) => {
      const target = targets.get(placeOf(note, note.bar + shift));
      const taken = planned.plan!.notes[note.index];
      if (!target || taken?.string === undefined || taken.finger === undefined) return [];
      const choice = {
        string: taken.string,
        finger: taken.finger,
        ...(taken.pluck && { pluck: taken.pluck }),
      };
      return [[target.id, choice as Choice] as const];
    });
};

/** Lays the fingering that was taken up on the bars from the caret on, as one deed. */
export const layDown: Command = (workbench, onlyAsk) => {
  const { takenUp } = workbench;
  if (!takenUp) return false;
  const choices = laidChoices(workbench);
  if (onlyAsk) return choices.length > 0;
  if (choices.length === 0) {
    workbench.notice = 'No note of these bars is like one of the bars that were taken up.';
    return false;
  }
  const wanted = workbench.piece.score!.notes.filter(
    ({ bar, tiedFrom }) => tiedFrom === undefined && bar >= takenUp.from && bar <= takenUp.to,
  ).length;
  workbench.decisions.chooseAll(choices);
  if (choices.length < wanted)
    workbench.notice = `${choices.length} of ${wanted} notes are the same here and were fingered alike; the others are left to Oculon.`;
  return true;
};
