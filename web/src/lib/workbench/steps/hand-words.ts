import { pitchLabel, stringSign, type HandPoint, type HandReason, type Score } from '@oculon/core';

type Taking = HandPoint['notes'][number]['one'];

const taking = ({ finger, string, fret }: Taking): string => {
  if (string === undefined) return 'left out';
  return finger === 0 ? `open ${stringSign(string)}` : `${finger} on ${stringSign(string)}, fret ${fret}`;
};

/** A note as the version before takes it, and as this hand does. */
export const takenOtherwise = (score: Score, { note, one, other }: HandPoint['notes'][number]): string =>
  `${pitchLabel(score.notes[note]!.sounding)}: ${taking(one)} → ${taking(other)}`;

/** Why this hand takes it otherwise. */
export const handReasonWords = (why: HandReason): string => {
  switch (why.kind) {
    case 'stretch':
      return `As before, ${why.lower} and ${why.higher} would lie ${Math.round(why.mm)} mm wider than is comfortable for this hand.`;
    case 'cannot':
      return 'As before, this hand cannot do it with what sounds around it.';
    case 'harder':
      return `As before, it would be harder for this hand by ${why.price.toFixed(1)}.`;
    case 'goes-along':
      return 'It goes along with what differs around it.';
  }
};
