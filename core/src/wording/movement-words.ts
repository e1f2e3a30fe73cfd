import type { Mark } from '../fingering/marks.ts';
import { bracketWords } from '../formats/musicxml/marks/mark-text.ts';
import { stringSign, stringSigns } from '../instrument/string-sign.ts';
import type { Likeness } from '../score/passage-returns.ts';
import type { GuideFinger, HeldFinger } from '../technique/guides.ts';
import type { Preparation } from '../technique/preparation.ts';
import { yesNo, type Wording } from './wording.ts';

/** When a finger goes down: `3 on ④, fret 2: set it with the block at bar 3, beat 1`. `when` tells a slice. */
export const preparationText = (
  { say }: Wording,
  { stay, how, why, should }: Preparation,
  when: (slice: number) => string,
): string => {
  const { finger, strings, fret } = stay;
  const place = say('preparation.place', { finger, strings: stringSigns(strings), fret });
  const reasons = { pulls: yesNo(why === 'pull-off'), rings: yesNo(why === 'lets-ring') };
  return say(`preparation.${how}`, { place, when: when(should), ...reasons });
};

/** A finger that stays while others move; `until` is the moment it stays for. */
export const heldText = ({ say }: Wording, { stay, kind }: HeldFinger, until: string): string =>
  say(`held.${kind}`, { finger: stay.finger, strings: stringSigns(stay.strings), until });

export const guideText = (
  { say }: Wording,
  { finger, string, fromFret, toFret, isHeard }: GuideFinger,
): string =>
  say(isHeard ? 'guide.heard' : 'guide.silent', {
    finger,
    string: stringSign(string),
    from: fromFret,
    to: toFret,
  });

/** How a passage is like the one it returns to. */
export const likenessText = ({ say }: Wording, likeness: Likeness): string =>
  likeness.kind === 'transposed'
    ? say('likeness.transposed', {
        steps: Math.abs(likeness.semitones),
        up: yesNo(likeness.semitones > 0),
      })
    : say(`likeness.${likeness.kind}`);

/** What a mark says beside its name. */
export const markText = ({ say }: Wording, mark: Mark): string => {
  switch (mark.kind) {
    case 'barre':
    case 'position':
      return bracketWords(mark);
    case 'guide':
      return say('mark-detail.guide', { heard: yesNo(mark.heard) });
    case 'hold':
      return '';
    case 'damp':
      return stringSign(mark.string);
    case 'plant':
      return [...mark.fingers].join(' ');
    case 'slur':
      return say('mark-detail.slur', { rising: yesNo(mark.as === 'hammer-on') });
    case 'stroke':
      return say('mark-detail.stroke', { stroke: mark.stroke });
    case 'text':
      return say('mark-detail.text', { text: mark.text });
  }
};
