import { stringSign } from '../instrument/string-sign.ts';
import type { PlantedFinger } from '../right/around/planting.ts';
import type { RightSign } from '../technique/right-signs.ts';
import { yesNo, type Wording } from './wording.ts';

/** Fingers on their strings: `i on ③, m on ②`. */
export const fingersOnStrings = ({ say }: Wording, fingers: readonly PlantedFinger[]): string =>
  fingers
    .map(({ finger, string }) => say('sign.finger-on', { finger, string: stringSign(string) }))
    .join(', ');

/** What a sign of the right hand asks for. */
export const signText = (wording: Wording, sign: RightSign): string => {
  const { say } = wording;
  switch (sign.kind) {
    case 'plant': {
      const { plants, opens } = sign.values;
      return [
        plants.length > 0 ? say('sign.plant', { fingers: fingersOnStrings(wording, plants) }) : '',
        opens.length > 0 ? say('sign.opens', { fingers: opens.join(' '), count: opens.length }) : '',
      ]
        .filter(Boolean)
        .join('; ');
    }
    case 'anchor':
      return say('sign.anchor', { finger: sign.values.finger, string: stringSign(sign.values.string) });
    case 'stroke': {
      const { stroke, reason, comesToRestOn, silences } = sign.values;
      return say('sign.stroke', {
        stroke,
        reason,
        rests: yesNo(comesToRestOn !== undefined),
        string: stringSign(comesToRestOn ?? 0),
        silences: yesNo(silences),
      });
    }
    case 'sweep':
      return say('sign.sweep', { strings: sign.values.strings.map(stringSign).join(' ') });
    case 'strum': {
      const { direction, finger, isRasgueado } = sign.values;
      return say('sign.strum', { direction, finger, rasgueado: yesNo(isRasgueado) });
    }
    case 'written-strum':
      return say('sign.written-strum', { direction: sign.values.direction });
    case 'harmonic': {
      const { string, node, by } = sign.values;
      return say('sign.harmonic', { string: stringSign(string), node, by });
    }
    case 'frame':
      return say('sign.frame', { fingers: fingersOnStrings(wording, sign.values.strings) });
    case 'damp': {
      const { grade, means, run } = sign.values;
      return say('sign.damp', { grade, means: say(`means.${means}`), run });
    }
  }
};
