import {
  barLabel,
  beatText,
  pitchLabel,
  stringSign,
  type Note,
  type NotePlan,
  type Score,
} from '@oculon/core';

/** The note at the caret with its fingering, as it is read out: `A3, bar 1, beat 1: finger 2, string ③ fret 2, plucked with i`. */
export const caretWords = (score: Score, note: Note, plan: NotePlan | undefined): string => {
  const bar = score.bars[note.bar]!;
  const place = `${pitchLabel(note.sounding)}, bar ${barLabel(bar)}, beat ${beatText(bar, note.onset - bar.start, score.ticksPerQuarter)}`;
  if (plan?.string === undefined) return place;
  const left =
    plan.finger === 0
      ? `open string ${stringSign(plan.string)}`
      : `finger ${plan.finger}, string ${stringSign(plan.string)} fret ${plan.fret}${plan.barre ? ', under a barre' : ''}`;
  return `${place}: ${left}${plan.pluck === undefined ? '' : `, plucked with ${plan.pluck}`}`;
};
