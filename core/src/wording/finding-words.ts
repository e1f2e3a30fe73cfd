import type { Finding, Unplayable } from '../review/finding.ts';
import { yesNo, type MessageValues, type Wording } from './wording.ts';

const whyUnplayable = ({ say, pitch, all }: Wording, why: Unplayable): string => {
  switch (why.kind) {
    case 'nowhere':
      return say('unplayable.nowhere', { pitch: pitch(why.pitch) });
    case 'one-string':
      return say('unplayable.one-string', { pitches: all(why.pitches.map(pitch)), string: why.string });
    case 'too-far':
      return say('unplayable.too-far', { pitches: all(why.pitches.map(pitch)) });
    default:
      return say(`unplayable.${why.kind}`);
  }
};

/** What a message about a finding needs beside its place and the note. */
const valuesOf = (wording: Wording, finding: Finding): MessageValues => {
  const { say } = wording;
  switch (finding.code) {
    case 'unplayable-note':
      return { why: whyUnplayable(wording, finding.values.why) };
    case 'rule-not-kept':
      return {
        rule: say(`broken-rule.${finding.values.rule}`, { pitch: wording.pitch(finding.values.pitch) }),
      };
    case 'return-differs': {
      const { bar, like, price } = finding.values;
      return { bar, like, forced: yesNo(price === undefined), price: price ?? 0 };
    }
    case 'pattern-not-kept':
    case 'finger-needed-twice':
    case 'open-for-stopped':
    case 'stopped-for-open':
      return { finger: finding.values.finger };
    case 'gap-at-shift': {
      const { from, to, mm, ms } = finding.values;
      return { from, to, mm, ms };
    }
    case 'wide-stretch':
    case 'barre-too-long':
      return { ...finding.values, caution: say('caution') };
    case 'slur-trouble':
      return { trouble: say(`slur-trouble.${finding.values.trouble}`) };
    case 'string-left-ringing': {
      const { string, into, means } = finding.values;
      return { string, into, means: say(`means.${means}`) };
    }
    case 'repeat-at-speed':
      return { finger: finding.values.finger, ms: finding.values.ms };
    case 'jump-not-made': {
      const { after, to, shift } = finding.values;
      const { from = 0, to: position = 0, mm = 0, ms = 0 } = shift ?? {};
      return { after, to, hasty: yesNo(shift !== undefined), from, position, mm, ms };
    }
    case 'position-mark-missing':
      return { position: finding.values.position };
    default:
      return {};
  }
};

/** A finding as a sentence with its place. */
export const findingText = (wording: Wording, finding: Finding): string =>
  wording.say(`finding.${finding.code}`, {
    place: wording.say('place.bar-beat', { bar: finding.number, beat: finding.count ?? '1' }),
    ...('pitch' in finding.values && { pitch: wording.pitch(finding.values.pitch) }),
    ...valuesOf(wording, finding),
  });
