import { leastCommonMultiple } from '../../music/time.ts';
import { barLength, type Meter } from '../../music/meter.ts';
import type { Bar, Direction, Navigation, TempoMark } from '../../score/score.ts';
import type { Repair } from '../import-problem.ts';
import { childNamed, childNumber, childText, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { isHandDirection } from './marks/directions.ts';
import { writtenQuarters } from './note-type.ts';
import type { MeasureSource } from './parts.ts';
import { readRawNote, type RawNote } from './raw-note.ts';

/** A note, rest or chord member with its place in the bar, in ticks. */
export interface PlacedNote extends RawNote {
  /** From the start of the bar. */
  readonly at: number;
  readonly length: number;
  readonly order: number;
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
  readonly directions: readonly (Omit<Direction, 'bar' | 'onset'> & { readonly at: number })[];
  readonly tempi: readonly { readonly at: number; readonly quartersPerMinute: number }[];
  /** The furthest end any voice reaches, in ticks. */
  readonly reach: number;
}

const DEFAULT_METER: Meter = { beats: 4, beatType: 4 };
/** Ticks per quarter beyond which times are rounded: all tuplets up to 11 on 64ths stay exact below it. */
const FINEST_RESOLUTION = 1_000_000;
const FALLBACK_RESOLUTION = 55_440;

/** Ticks per quarter in which every duration of these bars is whole. */
export const resolutionOf = (measures: readonly MeasureSource[]): number => {
  let resolution = 16;
  for (const measure of measures)
    for (const child of measure.children) {
      const divisions = child.name === 'attributes' ? childNumber(child, 'divisions') : undefined;
      if (divisions === undefined || divisions <= 0) continue;
      if (!Number.isInteger(divisions)) return FALLBACK_RESOLUTION;
      resolution = leastCommonMultiple(resolution, divisions);
      if (resolution > FINEST_RESOLUTION) return FALLBACK_RESOLUTION;
    }
  return resolution;
};

const readMeter = (time: XmlElement): Meter | undefined => {
  const beats = childrenNamed(time, 'beats').map((each) =>
    each.text.split('+').reduce((sum, part) => sum + Number(part), 0),
  );
  const beatType = Number(childText(time, 'beat-type'));
  const total = beats.reduce((sum, each) => sum + each, 0);
  return total > 0 && beatType > 0 ? { beats: total, beatType } : undefined;
};

const NAVIGATION_ATTRIBUTES: readonly (readonly [string, Navigation])[] = [
  ['segno', 'segno'],
  ['coda', 'coda'],
  ['fine', 'fine'],
  ['dacapo', 'da-capo'],
  ['dalsegno', 'dal-segno'],
  ['tocoda', 'to-coda'],
];

const navigationIn = (element: XmlElement): Navigation[] => {
  const sounds = element.name === 'sound' ? [element] : childrenNamed(element, 'sound');
  const fromSound = NAVIGATION_ATTRIBUTES.filter(([name]) =>
    sounds.some((sound) => name in sound.attributes),
  ).map(([, navigation]) => navigation);
  const types = childrenNamed(element, 'direction-type');
  const signs = (['segno', 'coda'] as const).filter((name) => types.some((type) => childNamed(type, name)));
  const words = types.flatMap((type) => childrenNamed(type, 'words')).map((each) => each.text.trim());
  const fromWords = words.flatMap((text): Navigation[] =>
    /^d\.?\s?c\.?/i.test(text)
      ? ['da-capo']
      : /^d\.?\s?s\.?/i.test(text)
        ? ['dal-segno']
        : /^fine$/i.test(text)
          ? ['fine']
          : [],
  );
  return [...new Set([...fromSound, ...signs, ...fromWords])];
};

const metronomeTempo = (direction: XmlElement): number | undefined => {
  const sound = [direction, ...childrenNamed(direction, 'sound')]
    .map((each) => Number(each.attributes.tempo))
    .find((tempo) => tempo > 0);
  if (sound) return sound;
  for (const type of childrenNamed(direction, 'direction-type')) {
    const metronome = childNamed(type, 'metronome');
    const perMinute = metronome && Number(/[\d.]+/.exec(childText(metronome, 'per-minute') ?? '')?.[0]);
    const unit = metronome && childText(metronome, 'beat-unit');
    if (perMinute && unit)
      return perMinute * writtenQuarters(unit as never, childrenNamed(metronome, 'beat-unit-dot').length);
  }
  return undefined;
};

const directionTexts = (direction: XmlElement): Omit<Direction, 'bar' | 'onset'>[] => {
  // Barres, positions and damping are marks, which a teacher may change.
  if (isHandDirection(direction)) return [];
  return childrenNamed(direction, 'direction-type').flatMap((type) =>
    type.children.flatMap((child): Omit<Direction, 'bar' | 'onset'>[] => {
      const text = child.text.trim();
      if (child.name === 'words' && text) return [{ kind: 'words', text }];
      if (child.name === 'rehearsal' && text) return [{ kind: 'rehearsal', text }];
      if (child.name === 'dynamics' && child.children[0])
        return [{ kind: 'dynamics', text: child.children[0].name }];
      const perMinute = child.name === 'metronome' ? childText(child, 'per-minute') : undefined;
      return perMinute
        ? [{ kind: 'tempo', text: `${childText(child, 'beat-unit') ?? 'quarter'}=${perMinute}` }]
        : [];
    }),
  );
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

  return measures.map((measure): WalkedBar => {
    const label = measure.number;
    const notes: PlacedNote[] = [];
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

    const toTicks = (inDivisions: number): number => {
      if (divisions === 0) {
        divisions = 1;
        repairs.push({
          code: 'missing-divisions',
          bar: label,
          message: `Bar ${label}: the file does not say how long a quarter is; it was read as 1.`,
        });
      }
      const exact = (inDivisions * resolution) / divisions;
      const whole = Math.round(exact);
      if (Math.abs(exact - whole) > 1e-6 && !rounded) {
        rounded = true;
        repairs.push({
          code: 'rounded-time',
          bar: label,
          message: `Bar ${label}: a duration does not fit the file's own time grid and was rounded.`,
        });
      }
      return whole;
    };

    const lengthOf = (raw: RawNote): number => {
      if (raw.grace) return 0;
      if (raw.duration !== undefined && raw.duration > 0) return toTicks(raw.duration);
      if (raw.type) {
        repairs.push({
          code: 'missing-duration',
          bar: label,
          message: `Bar ${label}, voice ${raw.voice}: a note without a duration was read as its printed ${raw.type} note.`,
        });
        return Math.round(writtenQuarters(raw.type, raw.dots, raw.ratio) * resolution);
      }
      repairs.push({
        code: 'missing-duration',
        bar: label,
        message: `Bar ${label}, voice ${raw.voice}: a note without duration and type was read as a quarter. Correct it in your notation program.`,
      });
      return resolution;
    };

    const readAttributes = (element: XmlElement) => {
      divisions = childNumber(element, 'divisions') || divisions;
      const keyElement = childNamed(element, 'key');
      if (keyElement) {
        const fifths = childNumber(keyElement, 'fifths') ?? 0;
        const modeText = childText(keyElement, 'mode');
        keyChange = keyChange || fifths !== key;
        key = fifths;
        mode = modeText === 'major' || modeText === 'minor' ? modeText : undefined;
      }
      const time = childNamed(element, 'time');
      if (time) {
        free = childNamed(time, 'senza-misura') !== undefined;
        const read = readMeter(time);
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
        repeatTimes = Number(repeat.attributes.times) || 2;
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
      else if (child.name === 'backup')
        cursor = Math.max(0, cursor - toTicks(childNumber(child, 'duration') ?? 0));
      else if (child.name === 'forward') cursor += toTicks(childNumber(child, 'duration') ?? 0);
      else if (child.name === 'barline') readBarline(child);
      else if (child.name === 'direction' || child.name === 'sound') {
        const at = Math.max(
          0,
          cursor + (childNumber(child, 'offset') ? toTicks(childNumber(child, 'offset')!) : 0),
        );
        directions.push(...directionTexts(child).map((each) => ({ ...each, at })));
        navigation.push(...navigationIn(child));
        const tempo = metronomeTempo(child);
        if (tempo) tempi.push({ at, quartersPerMinute: tempo });
      } else if (child.name === 'note') {
        const raw = readRawNote(child);
        if (raw.cue) continue;
        const length = lengthOf(raw);
        const at = raw.chord ? lastOnset : cursor;
        notes.push({ ...raw, at, length, order: notes.length });
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
      directions,
      tempi,
      reach,
    };
  });
};

/** Tempo when the piece gives none, in quarters a minute: a calm practice tempo of our own choosing. */
export const DEFAULT_TEMPO = 80;

/** Tempo marks of walked bars in piece time, the first at 0. */
export const tempoMarks = (
  bars: readonly { readonly start: number; readonly walked: WalkedBar }[],
): readonly TempoMark[] => {
  const marks = bars.flatMap(({ start, walked }) =>
    walked.tempi.map(({ at, quartersPerMinute }) => ({ onset: start + at, quartersPerMinute })),
  );
  const first = marks[0];
  const opening = first
    ? [{ onset: 0, quartersPerMinute: first.quartersPerMinute }]
    : [{ onset: 0, quartersPerMinute: DEFAULT_TEMPO }];
  return [
    ...opening,
    ...marks.filter((mark) => mark.onset > 0),
  ] as readonly unknown[] as readonly TempoMark[];
};
