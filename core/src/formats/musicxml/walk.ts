import { barLength, type Meter } from '../../music/meter.ts';
import { barLabel, type Bar, type Direction, type Navigation } from '../../score/score.ts';
import type { Repair } from '../import-problem.ts';
import { childNamed, childText, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { directionTexts, navigationIn } from './direction-signs.ts';
import { BarLines } from './lines.ts';
import { writtenQuarters } from '../../score/note-length.ts';
import { NumberGate, type FileNumber } from './numbers.ts';
import type { MeasureSource } from './measures.ts';
import { readRawNote, type RawNote } from './raw-note.ts';
import { tempoIn } from './tempo.ts';

/** A note, rest or chord member with its place in the bar, in ticks. */
export interface PlacedNote extends RawNote {
  /** From the start of the bar. */
  readonly at: number;
  readonly length: number;
  readonly order: number;
  /** The voice, told apart from other lines under its number. */
  readonly line: string;
}

/** One bar as walked: its signs, its notes and how far its voices reach. */
export interface WalkedBar extends Pick<
  Bar,
  | 'number'
  | 'meter'
  | 'meterChange'
  | 'key'
  | 'keyChange'
  | 'mode'
  | 'repeatStart'
  | 'repeatEnd'
  | 'repeatTimes'
  | 'barline'
> {
  readonly implicit: boolean;
  readonly freeLength: boolean;
  readonly ending?: NonNullable<Bar['ending']>;
  readonly navigation: readonly Navigation[];
  readonly notes: readonly PlacedNote[];
  /** Cue notes and notes that are not printed. */
  readonly silent: readonly PlacedNote[];
  readonly directions: readonly (Omit<Direction, 'bar' | 'onset'> & { readonly at: number })[];
  readonly tempi: readonly { readonly at: number; readonly quartersPerMinute: number }[];
  /** The furthest end any voice reaches, in ticks. */
  readonly reach: number;
}

const DEFAULT_METER: Meter = { beats: 4, beatType: 4 };
/** Longest time that one element may take or skip, in quarters: more than any bar of any piece. */
const LONGEST_QUARTERS = 512;

const isPowerOfTwo = (value: number): boolean => (value & (value - 1)) === 0;

const readMeter = (time: XmlElement, gate: NumberGate): Meter | undefined => {
  const parts = childrenNamed(time, 'beats').flatMap((each) =>
    each.text.split('+').map((part) => gate.text(part, 'beats', each.line)),
  );
  const beatType = gate.child(time, 'beat-type');
  if (parts.length === 0 || beatType === undefined || parts.some((part) => part === undefined))
    return undefined;
  if (!isPowerOfTwo(beatType)) {
    gate.refuse(String(beatType), 'beat-type', time.line);
    return undefined;
  }
  return { beats: parts.reduce<number>((sum, part) => sum + part!, 0), beatType };
};

/** Walks the bars of a part with MusicXML's cursor (`backup`, `forward`, `chord`), mending what can be mended. */
export const walkMeasures = (
  measures: readonly MeasureSource[],
  resolution: number,
  repairs: Repair[],
): readonly WalkedBar[] => {
  let divisions = 0;
  let meter: Meter | undefined;
  let key = 0;
  let mode: Bar['mode'];
  let free = false;
  let openEnding: string | undefined;
  let rounded = false;
  const gate = new NumberGate(repairs);

  return measures.map((measure, index): WalkedBar => {
    const label = barLabel({ index, number: measure.number });
    gate.bar = label;
    const notes: PlacedNote[] = [];
    const silent: PlacedNote[] = [];
    const directions: (Omit<Direction, 'bar' | 'onset'> & { at: number })[] = [];
    const tempi: { at: number; quartersPerMinute: number }[] = [];
    const navigation: Navigation[] = [];
    let meterChange = false;
    let keyChange = false;
    let repeatStart = false;
    let repeatEnd = false;
    let repeatTimes = 2;
    let barline: Bar['barline'] = 'regular';
    let endingStarts = false;
    let endingStops = false;
    let cursor = 0;
    let reach = 0;
    let lastOnset = 0;
    const lines = new BarLines();

    /** Undefined for a time that no bar can hold. */
    const toTicks = (inDivisions: number): number | undefined => {
      if (divisions === 0) {
        divisions = 1;
        repairs.push({ code: 'missing-divisions', values: { bar: label } });
      }
      const exact = (inDivisions * resolution) / divisions;
      if (Math.abs(exact) > LONGEST_QUARTERS * resolution) return undefined;
      const whole = Math.round(exact);
      if (Math.abs(exact - whole) > 1e-6 && !rounded) {
        rounded = true;
        repairs.push({ code: 'rounded-time', values: { bar: label } });
      }
      return whole;
    };

    const timeIn = (element: XmlElement, name: FileNumber): number => {
      const inDivisions = gate.child(element, name) ?? 0;
      const time = toTicks(inDivisions);
      if (time === undefined) gate.refuse(String(inDivisions), name, element.line);
      return time ?? 0;
    };

    const lengthOf = (raw: RawNote): number => {
      if (raw.grace) return 0;
      if (raw.duration !== undefined && raw.duration > 0) {
        const time = toTicks(raw.duration);
        if (time !== undefined) return time;
        gate.refuse(String(raw.duration), 'duration', raw.element.line);
      }
      repairs.push({
        code: 'missing-duration',
        values: { bar: label, voice: raw.voice, type: raw.type },
      });
      if (raw.type) return Math.round(writtenQuarters(raw.type, raw.dots, raw.ratio) * resolution);
      return resolution;
    };

    const readAttributes = (element: XmlElement) => {
      divisions = gate.child(element, 'divisions') ?? divisions;
      const keyElement = childNamed(element, 'key');
      if (keyElement) {
        const fifths = gate.child(keyElement, 'fifths') ?? 0;
        const modeText = childText(keyElement, 'mode');
        keyChange = keyChange || fifths !== key;
        key = fifths;
        mode = modeText === 'major' || modeText === 'minor' ? modeText : undefined;
      }
      const time = childNamed(element, 'time');
      if (time) {
        free = childNamed(time, 'senza-misura') !== undefined;
        const read = readMeter(time, gate);
        if (read && (read.beats !== meter?.beats || read.beatType !== meter.beatType)) {
          meter = read;
          meterChange = true;
        }
      }
    };

    const readBarline = (element: XmlElement) => {
      const repeat = childNamed(element, 'repeat');
      const ending = childNamed(element, 'ending');
      const style = childText(element, 'bar-style');
      if (repeat?.attributes.direction === 'forward') repeatStart = true;
      if (repeat?.attributes.direction === 'backward') {
        repeatEnd = true;
        repeatTimes = gate.text(repeat.attributes.times ?? '', 'times', repeat.line) ?? 2;
      }
      if (ending?.attributes.type === 'start') {
        openEnding = ending.attributes.number ?? '1';
        endingStarts = true;
      } else if (ending) endingStops = true;
      if (element.attributes.location !== 'left') {
        if (style === 'light-light') barline = 'double';
        if (style === 'light-heavy') barline = 'final';
      }
    };

    for (const child of measure.children) {
      if (child.name === 'attributes') readAttributes(child);
      else if (child.name === 'backup') {
        cursor = Math.max(0, cursor - timeIn(child, 'duration'));
        lines.stepBack();
      } else if (child.name === 'forward') cursor += timeIn(child, 'duration');
      else if (child.name === 'barline') readBarline(child);
      else if (child.name === 'direction' || child.name === 'sound') {
        const at = Math.max(0, cursor + timeIn(child, 'offset'));
        directions.push(...directionTexts(child).map((each) => ({ ...each, at })));
        navigation.push(...navigationIn(child));
        const tempo = tempoIn(child, gate);
        if (tempo) tempi.push({ at, quartersPerMinute: tempo });
      } else if (child.name === 'note') {
        const raw = readRawNote(child, gate);
        const length = lengthOf(raw);
        const at = raw.chord ? lastOnset : cursor;
        const line = raw.chord ? lines.last(raw.voice) : lines.place(raw.voice, at, length);
        const note = { ...raw, at, length, order: notes.length + silent.length, line };
        // What is not played from this page takes its time all the same.
        if (raw.cue || raw.hidden) silent.push(note);
        else notes.push(note);
        if (!raw.chord) {
          lastOnset = cursor;
          cursor += length;
        }
        reach = Math.max(reach, at + length);
      }
    }
    const ending =
      openEnding === undefined
        ? undefined
        : { numbers: openEnding, starts: endingStarts, stops: endingStops };
    if (endingStops) openEnding = undefined;
    const currentMeter = meter ?? DEFAULT_METER;
    return {
      number: label,
      implicit: measure.implicit,
      freeLength: free || barLength(currentMeter, resolution) === 0,
      meter: currentMeter,
      meterChange,
      key,
      keyChange,
      mode,
      repeatStart,
      repeatEnd,
      repeatTimes,
      barline,
      ...(ending && { ending }),
      navigation,
      notes,
      silent,
      directions,
      tempi,
      reach,
    };
  });
};
