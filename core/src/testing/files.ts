import { parsePitch } from '../music/pitch.ts';

/** MusicXML in the shapes that the example notation has no signs for: written by hand, note by note. */
export interface FileNote {
  /** Pitch as the file writes it; a rest when missing. */
  readonly pitch?: string;
  /** In divisions; a quarter is 2. */
  readonly duration?: number;
  readonly voice?: number;
  readonly staff?: number;
  readonly chord?: boolean;
  readonly grace?: boolean;
  readonly cue?: boolean;
  readonly hidden?: boolean;
  /** Inside `technical`. */
  readonly technical?: string;
  /** Inside `notations`, before `technical`. */
  readonly notations?: string;
}

/** A `note` element. */
export const noteXml = (note: FileNote): string => {
  const { pitch, duration = 2, voice = 1, staff, technical, notations = '' } = note;
  const spelling = pitch === undefined ? undefined : parsePitch(pitch)!;
  const sound = spelling
    ? `<pitch><step>${spelling.step}</step>${spelling.alter === 0 ? '' : `<alter>${spelling.alter}</alter>`}<octave>${spelling.octave}</octave></pitch>`
    : '<rest/>';
  const marks = notations + (technical === undefined ? '' : `<technical>${technical}</technical>`);
  return `<note${note.hidden ? ' print-object="no"' : ''}>${note.grace ? '<grace/>' : ''}${note.cue ? '<cue/>' : ''}${note.chord ? '<chord/>' : ''}${sound}${note.grace ? '' : `<duration>${duration}</duration>`}<voice>${voice}</voice>${staff === undefined ? '' : `<staff>${staff}</staff>`}${marks ? `<notations>${marks}</notations>` : ''}</note>`;
};

/** A note of tablature, or one with its place written: `at('E4', 2, 5)`. */
export const at = (pitch: string, string: number, fret: number, more: Omit<FileNote, 'pitch'> = {}): string =>
  noteXml({
    ...more,
    pitch,
    technical: `<string>${string}</string><fret>${fret}</fret>${more.technical ?? ''}`,
  });

export const notes = (...pitches: readonly string[]): string =>
  pitches.map((pitch) => noteXml({ pitch })).join('');
export const back = (duration: number): string => `<backup><duration>${duration}</duration></backup>`;
export const words = (text: string): string =>
  `<direction><direction-type><words>${text}</words></direction-type></direction>`;

export const PLAIN_CLEF = '<clef><sign>G</sign><line>2</line></clef>';
export const OCTAVE_CLEF =
  '<clef><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef>';
export const TAB_CLEF = '<clef><sign>TAB</sign><line>5</line></clef>';

/** Bars of one part; the first carries the attributes: divisions of 2, four quarters, and what is given. */
export const barsXml = (attributes: string, bars: readonly string[]): string =>
  bars
    .map(
      (bar, index) =>
        `<measure number="${index + 1}">${index === 0 ? `<attributes><divisions>2</divisions><time><beats>4</beats><beat-type>4</beat-type></time>${attributes}</attributes>` : ''}${bar}</measure>`,
    )
    .join('');

/** A document with parts of the given names and bars. */
export const documentXml = (...parts: readonly (readonly [name: string, bars: string])[]): string =>
  `<?xml version="1.0" encoding="UTF-8"?><score-partwise version="4.0"><part-list>${parts.map(([name], index) => `<score-part id="P${index + 1}"><part-name>${name}</part-name></score-part>`).join('')}</part-list>${parts.map(([, bars], index) => `<part id="P${index + 1}">${bars}</part>`).join('')}</score-partwise>`;

/** A guitar part with a clef and whatever else its attributes say. */
export const guitarXml = (attributes: string, ...bars: readonly string[]): string =>
  documentXml(['Guitar', barsXml(attributes, bars)]);
