import type { ImportProblem, Repair } from '../formats/import-problem.ts';
import { STANDARD_TUNING } from '../instrument/guitar.ts';
import { stringSign } from '../instrument/string-sign.ts';
import { meterText } from '../music/meter.ts';
import { sharpSpelling, type Midi } from '../music/pitch.ts';
import { yesNo, type MessageValues, type Wording } from './wording.ts';

const problemValues = ({ pitch }: Wording, problem: ImportProblem): MessageValues => {
  switch (problem.code) {
    case 'undecodable': {
      const { encoding, isKnown, line } = problem.values;
      return { encoding, known: yesNo(isKnown), line: line ?? 0 };
    }
    case 'not-xml': {
      const { line, detail, looksLikeXml } = problem.values;
      return { line, detail, xml: yesNo(looksLikeXml) };
    }
    case 'not-musicxml':
      return { root: `<${problem.values.root}>` };
    case 'no-notes': {
      const { part } = problem.values;
      return { named: yesNo(part !== undefined), part: part ?? '' };
    }
    case 'choose-part': {
      const { wanted, parts } = problem.values;
      const names = parts.map(({ name }, index) => `${index + 1} ${name}`).join(', ');
      return { asked: yesNo(wanted !== undefined), wanted: wanted ?? '', parts: names };
    }
    case 'below-range': {
      const { bar, voice, needsSeventh } = problem.values;
      return { bar, voice, pitch: pitch(problem.values.pitch), seventh: yesNo(needsSeventh) };
    }
    case 'above-range': {
      const { bar, voice } = problem.values;
      return { bar, voice, pitch: pitch(problem.values.pitch) };
    }
    default:
      return problem.values;
  }
};

/** Why a file could not be read, with the place and the remedy. */
export const problemText = (wording: Wording, problem: ImportProblem): string =>
  wording.say(`problem.${problem.code}`, problemValues(wording, problem));

const MOST_NAMED = 6;
const barsText = ({ say }: Wording, bars: readonly string[]): string =>
  say('bars.listed', {
    count: bars.length,
    bars: bars.slice(0, MOST_NAMED).join(', '),
    more: Math.max(0, bars.length - MOST_NAMED),
  });

/** The strings that are not in standard tuning: `⑥ D2, ③ F♯3`. */
const tuningText = ({ pitch }: Wording, tuning: readonly Midi[]): string =>
  tuning
    .flatMap((open, index) =>
      open === STANDARD_TUNING[index] ? [] : [`${stringSign(index + 1)} ${pitch(sharpSpelling(open))}`],
    )
    .reverse()
    .join(', ');

const repairValues = (wording: Wording, repair: Repair): MessageValues => {
  const { say, pitch } = wording;
  switch (repair.code) {
    case 'bar-too-full':
    case 'bar-not-full':
      return { ...repair.values, meter: meterText(repair.values.meter) };
    case 'missing-duration': {
      const { bar, voice, type } = repair.values;
      return { bar, voice, printed: yesNo(type !== undefined), type: type ? say('note-type', { type }) : '' };
    }
    case 'unreachable-string': {
      const { open, ...place } = repair.values;
      return { ...place, open: pitch(sharpSpelling(open)) };
    }
    case 'tuning-lowered':
      return { bar: repair.values.bar, pitch: pitch(repair.values.pitch) };
    case 'number-out-of-range':
      return { ...repair.values, name: `<${repair.values.name}>` };
    case 'octave-settled':
      return { by: repair.values.by, sounding: yesNo(repair.values.standsAsSounding) };
    case 'tuning-read':
      return { tuning: tuningText(wording, repair.values.tuning) };
    case 'tuning-corrected': {
      const { tuning, isStandard } = repair.values;
      return { standard: yesNo(isStandard), tuning: tuningText(wording, tuning) };
    }
    case 'unpitched-left-out':
    case 'cue-left-out':
    case 'hidden-left-out':
    case 'quarter-tone':
    case 'simile':
      return { bars: barsText(wording, repair.values.bars) };
    default:
      return repair.values;
  }
};

/** What was mended or left out while reading, with its place. */
export const repairText = (wording: Wording, repair: Repair): string =>
  wording.say(`repair.${repair.code}`, repairValues(wording, repair));
