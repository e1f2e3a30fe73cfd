import { parsePitch } from '../music/pitch.ts';
import type { Meter } from '../music/meter.ts';
import type { NoteType } from '../score/score.ts';
import { quartersOf } from '../formats/musicxml/note-type.ts';
import { escapeXml } from '../formats/xml/splice.ts';

/**
 * A small text notation for musical examples, printed as MusicXML. Bars are separated by `|`, voices stand in
 * lines of their own. A token is `pitches/length`, with sounding pitches joined by `+`:
 *
 *     E4/4  G3+B3/8  C3/2.  -/4 (rest)  E4/8t (triplet)  F4/8~ (tied on)
 *     E4/8( F4/8) (slur)   E4/8{finger=1,string=2,pluck=i}
 *
 * Octaves are written with an octave clef, so the pitches are those that sound.
 */
export interface Example {
  readonly title?: string;
  readonly composer?: string;
  readonly meter?: Meter;
  /** Sharps or flats. */
  readonly key?: number;
  readonly tempo?: number;
  /** Voice 1 first; stems up for the first, down for the second when there are two. */
  readonly voices: readonly string[];
  /** Bars (from 1) that begin or end a repeat. */
  readonly repeats?: readonly { readonly from: number; readonly to: number }[];
  /** The first bar is an upbeat. */
  readonly pickup?: boolean;
  /** Words or dynamics above a bar (from 1). */
  readonly words?: Readonly<Record<number, string>>;
  readonly dynamics?: Readonly<Record<number, string>>;
}

const TYPES: Readonly<Record<string, NoteType>> = {
  '1': 'whole',
  '2': 'half',
  '4': 'quarter',
  '8': 'eighth',
  '16': '16th',
  '32': '32nd',
};
/** Divisions of a quarter: fine enough for 32nds and triplets of 16ths. */
const DIVISIONS = 24;
const TOKEN = /^([A-G#b\d+-]+)\/(\d+)(\.*)(t?)(~?)(\(?)(\)?)(?:\{([^}]*)\})?$/;

interface Token {
  readonly pitches: readonly string[];
  readonly type: NoteType;
  readonly dots: number;
  readonly triplet: boolean;
  readonly tied: boolean;
  readonly slurStart: boolean;
  readonly slurStop: boolean;
  readonly technical: Readonly<Record<string, string>>;
  readonly duration: number;
}

const readToken = (text: string): Token => {
  const found = TOKEN.exec(text);
  const type = found && TYPES[found[2]!];
  if (!found || !type) throw new RangeError(`not a token of the example notation: ${text}`);
  const [, pitches, , dots, triplet, tied, slurStart, slurStop, technical] = found;
  const plain = quartersOf(type) * (2 - 2 ** -dots!.length) * DIVISIONS;
  return {
    pitches: pitches === '-' ? [] : pitches!.split('+'),
    type,
    dots: dots!.length,
    triplet: triplet !== '',
    tied: tied !== '',
    slurStart: slurStart !== '',
    slurStop: slurStop !== '',
    technical: Object.fromEntries(
      (technical ?? '')
        .split(',')
        .filter(Boolean)
        .map((pair) => pair.split('=')),
    ),
    duration: triplet ? (plain * 2) / 3 : plain,
  };
};

const printNote = (
  token: Token,
  pitch: string | undefined,
  place: number,
  voice: number,
  voices: number,
  tiedHere: boolean,
): string => {
  const spelling = pitch === undefined ? undefined : parsePitch(pitch);
  if (pitch !== undefined && !spelling) throw new RangeError(`not a pitch: ${pitch}`);
  const marks = Object.entries(token.technical).map(
    ([name, value]) =>
      `<${name === 'finger' ? 'fingering' : name}>${value}</${name === 'finger' ? 'fingering' : name}>`,
  );
  const notations = [
    tiedHere ? '<tied type="stop"/>' : '',
    token.tied && spelling ? '<tied type="start"/>' : '',
    place === 0 && token.slurStop ? '<slur type="stop" number="1"/>' : '',
    place === 0 && token.slurStart ? '<slur type="start" number="1"/>' : '',
    marks.length > 0 && place === 0 ? `<technical>${marks.join('')}</technical>` : '',
  ].join('');
  const lines = [
    place > 0 ? '<chord/>' : '',
    spelling
      ? `<pitch><step>${spelling.step}</step>${spelling.alter ? `<alter>${spelling.alter}</alter>` : ''}<octave>${spelling.octave}</octave></pitch>`
      : '<rest/>',
    `<duration>${token.duration}</duration>`,
    tiedHere ? '<tie type="stop"/>' : '',
    token.tied && spelling ? '<tie type="start"/>' : '',
    `<voice>${voice}</voice>`,
    `<type>${token.type}</type>`,
    '<dot/>'.repeat(token.dots),
    token.triplet
      ? '<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>'
      : '',
    spelling && voices > 1 ? `<stem>${voice === 1 ? 'up' : 'down'}</stem>` : '',
    notations ? `<notations>${notations}</notations>` : '',
  ].filter(Boolean);
  return `      <note>\n${lines.map((line) => `        ${line}`).join('\n')}\n      </note>`;
};

const attributesXml = ({ key = 0, meter }: Example): string =>
  `      <attributes>
        <divisions>${DIVISIONS}</divisions>
        <key><fifths>${key}</fifths></key>
        <time><beats>${meter?.beats ?? 4}</beats><beat-type>${meter?.beatType ?? 4}</beat-type></time>
        <clef><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef>
      </attributes>`;

const tempoXml = (tempo: number): string =>
  `      <direction placement="above">
        <direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>${tempo}</per-minute></metronome></direction-type>
        <sound tempo="${tempo}"/>
      </direction>`;

const directionXml = (inner: string, placement: string): string =>
  `      <direction placement="${placement}"><direction-type>${inner}</direction-type></direction>`;

/** The example as a MusicXML document. */
export const exampleXml = (example: Example): string => {
  const { title = 'Example', composer = 'Anon.', tempo, voices, repeats = [], pickup = false } = example;
  const lines = voices.map((voice) =>
    voice.split('|').map((bar) => bar.trim().split(/\s+/).filter(Boolean).map(readToken)),
  );
  const tiedInto = voices.map(() => new Set<string>());
  const bars = lines[0]!.map((_, index) => {
    const number = pickup ? index : index + 1;
    const parts = lines.map((line, voice) => {
      const tokens = line[index] ?? [];
      const length = tokens.reduce((sum, token) => sum + token.duration, 0);
      const back = voice + 1 < lines.length ? `\n      <backup><duration>${length}</duration></backup>` : '';
      const notes = tokens.map((token) => {
        const printed =
          token.pitches.length === 0
            ? [printNote(token, undefined, 0, voice + 1, lines.length, false)]
            : token.pitches.map((pitch, place) =>
                printNote(token, pitch, place, voice + 1, lines.length, tiedInto[voice]!.has(pitch)),
              );
        tiedInto[voice] = new Set(token.tied ? token.pitches : []);
        return printed.join('\n');
      });
      return notes.join('\n') + back;
    });
    const words = example.words?.[index + 1];
    const dynamics = example.dynamics?.[index + 1];
    const last = index === lines[0]!.length - 1;
    const starts = repeats.some((repeat) => repeat.from === index + 1);
    const ends = repeats.some((repeat) => repeat.to === index + 1);
    return [
      `    <measure number="${number}"${pickup && index === 0 ? ' implicit="yes"' : ''}>`,
      starts
        ? '      <barline location="left"><bar-style>heavy-light</bar-style><repeat direction="forward"/></barline>'
        : '',
      index === 0 ? attributesXml(example) : '',
      index === 0 && tempo ? tempoXml(tempo) : '',
      words ? directionXml(`<words font-style="italic">${escapeXml(words)}</words>`, 'above') : '',
      dynamics ? directionXml(`<dynamics><${dynamics}/></dynamics>`, 'below') : '',
      parts.join('\n'),
      ends
        ? '      <barline location="right"><bar-style>light-heavy</bar-style><repeat direction="backward"/></barline>'
        : last
          ? '      <barline location="right"><bar-style>light-heavy</bar-style></barline>'
          : '',
      '    </measure>',
    ]
      .filter(Boolean)
      .join('\n');
  });
  return `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 3.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
<score-partwise version="3.0">
  <work><work-title>${escapeXml(title)}</work-title></work>
  <identification>
    <creator type="composer">${escapeXml(composer)}</creator>
  </identification>
  <part-list>
    <score-part id="P1"><part-name>Guitar</part-name></score-part>
  </part-list>
  <part id="P1">
${bars.join('\n')}
  </part>
</score-partwise>
`;
};

export const exampleMeter = (text: string): Meter => {
  const [beats, beatType] = text.split('/').map(Number);
  return { beats: beats!, beatType: beatType! };
};
