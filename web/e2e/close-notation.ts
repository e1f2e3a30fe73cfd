/**
 * A page of everything that stands close to notes: tuplets, rests, dots, flags, grace notes, ornaments, rolled chords, harmonics,
 * slides, endings, jumps, three voices, chords with many accidentals.
 */

const DIVISIONS = 12;

type Voice = 1 | 2 | 3;

interface Written {
  readonly pitches: readonly string[];
  readonly duration: number;
  readonly type: string;
  readonly voice: Voice;
  readonly inside?: string;
  readonly notations?: string;
  readonly isGrace?: boolean;
}

const pitchXml = (name: string): string => {
  const [, step, sign, octave] = /^([A-G])([#b]?)(\d)$/.exec(name)!;
  const alter = sign === '' ? '' : `<alter>${sign === '#' ? 1 : -1}</alter>`;
  return `<pitch><step>${step}</step>${alter}<octave>${octave}</octave></pitch>`;
};

const noteXml = ({
  pitches,
  duration,
  type,
  voice,
  inside = '',
  notations = '',
  isGrace,
}: Written): string => {
  const heads = pitches.length === 0 ? ['<rest/>'] : pitches.map(pitchXml);
  const length = isGrace ? '' : `<duration>${duration}</duration>`;
  return heads
    .map(
      (head, index) =>
        `<note>${isGrace ? '<grace/>' : ''}${index > 0 ? '<chord/>' : ''}${head}${length}<voice>${voice}</voice><type>${type}</type>${inside}${index === 0 && notations ? `<notations>${notations}</notations>` : ''}</note>`,
    )
    .join('');
};

const ratio = (actual: number, normal: number): string =>
  `<time-modification><actual-notes>${actual}</actual-notes><normal-notes>${normal}</normal-notes></time-modification>`;

/** What may be written at a note, by a letter after its length. */
const NOTATIONS: Readonly<Record<string, string>> = {
  t: '<ornaments><trill-mark/></ornaments>',
  m: '<ornaments><mordent/></ornaments>',
  f: '<fermata/>',
  a: '<articulations><accent/></articulations>',
  r: '<arpeggiate/>',
  h: '<technical><harmonic><natural/></harmonic></technical>',
  g: '<glissando type="start" number="1"/>',
  G: '<glissando type="stop" number="1"/>',
};

const TYPES: Readonly<Record<number, readonly [string, string]>> = {
  3: ['16th', ''],
  6: ['eighth', ''],
  9: ['eighth', '<dot/>'],
  12: ['quarter', ''],
  18: ['quarter', '<dot/>'],
  24: ['half', ''],
  36: ['half', '<dot/>'],
  48: ['whole', ''],
};

/** Notes of a voice: `C4+E4:12` lasts a quarter, `-:6` is a rest of an eighth, `(B4)` a grace note, `[A4 B4 C5]:12` a tuplet in a quarter. */
const voiceXml = (voice: Voice, text: string): string =>
  [...text.matchAll(/\[([^\]]+)\]:(\d+)|\((\S+)\)|(\S+):(\d+)([a-zA-Z]?)/g)]
    .map(([, tuplet, span, grace, plain, length, letter]) => {
      if (grace) return noteXml({ pitches: [grace], duration: 0, type: 'eighth', voice, isGrace: true });
      if (tuplet) {
        const names = tuplet.split(' ');
        const [actual, normal] = names.length === 6 ? [6, 4] : [names.length, names.length - 1];
        return names
          .map((name, index) =>
            noteXml({
              pitches: name === '-' ? [] : name.split('+'),
              duration: Number(span) / names.length,
              type: names.length === 6 ? '16th' : 'eighth',
              voice,
              inside: ratio(actual!, normal!),
              ...(index === 0 && { notations: '<tuplet type="start"/>' }),
              ...(index === names.length - 1 && { notations: '<tuplet type="stop"/>' }),
            }),
          )
          .join('');
      }
      const [type, dot] = TYPES[Number(length)]!;
      return noteXml({
        pitches: plain === '-' ? [] : plain!.split('+'),
        duration: Number(length),
        type,
        voice,
        inside: dot,
        ...(letter && { notations: NOTATIONS[letter]! }),
      });
    })
    .join('');

const BARS: readonly (readonly [string, string?, string?])[] = [
  ['[A3 C4 E4]:12 [A4 E4 C4]:12 [G3 C4 E4]:12 [G4 E4 C4]:12'],
  ['[E5 D5 C5]:12 [B4 A4 G4]:12 [F5 E5 D5]:12 [C5 - A4]:12', 'A3:24 E3:24'],
  ['E5:24 D5:24', '[A3 C4 E4]:12 [A3 C4 E4]:12 [G3 B3 D4]:12 [G3 - D4]:12'],
  ['[A3 C4 E4 A4 E4 C4]:12 [A3 C4 E4 A4 E4 C4]:12 [E3 G#4 B4 E5 B4 G#4]:12 [E3 G#4 B4 E5 B4 G#4]:12'],
  ['-:12 E5:18 (F5) E5:6 D5:12', 'A3:6 -:6 A3:6 -:6 E3:18 -:6'],
  ['(B4) C5:9 B4:3 (A4) A4:9 G#4:3 F#5:6 -:6 D#5:12', '-:24 B3:12 -:12'],
  ['C5:24t B4:12f -:12', 'Eb4:12 D4+Eb4:12 F4+G4:12a G4:12', 'C3:48'],
  ['A3+C#4+E4+A4:24r E5:6h D#5:6 E5:12', 'A2:24 Bb2+D3:24r'],
  ['E4:12g A4:12G B4:12m G4:12g', 'E3:36 -:12'],
  ['C#4+F#4+A#4+C#5:12 Bb3+Db4+F4+Bb4:12 G#3+D4+F4+B4:12 -:12', '-:12 F3:12 E3:24'],
  ['E5:3 D5:3 C5:3 B4:3 A4:6 -:3 G4:3 F4:6 G4:6 A4:12', 'C4:36 -:12'],
];

const ending = (number: number): readonly [string, string] => [
  `<barline location="left"><ending number="${number}" type="start"/></barline>`,
  `<barline location="right"><ending number="${number}" type="stop"/>${number === 1 ? '<repeat direction="backward"/>' : ''}</barline>`,
];

const ATTRIBUTES = `<attributes><divisions>${DIVISIONS}</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line><clef-octave-change>-1</clef-octave-change></clef></attributes>`;

const BACK = `<backup><duration>${DIVISIONS * 4}</duration></backup>`;
const TO_THE_BEGINNING =
  '<direction placement="above"><direction-type><words>D.C. al Fine</words></direction-type></direction>';

/** The page as MusicXML 4.0. */
export const closeNotation = (): string => {
  const bars = BARS.map(([upper, ...lower], index) => {
    const [left, right] = index >= BARS.length - 2 ? ending(index - BARS.length + 3) : ['', ''];
    const others = lower.map((text, place) => `${BACK}${voiceXml((place + 2) as Voice, text!)}`).join('');
    const jump = index === BARS.length - 3 ? TO_THE_BEGINNING : '';
    return `<measure number="${index + 1}">${index === 0 ? ATTRIBUTES : ''}${left}${voiceXml(1, upper)}${others}${jump}${right}</measure>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?><score-partwise version="4.0"><work><work-title>Close notation</work-title></work><part-list><score-part id="P1"><part-name>Guitar</part-name></score-part></part-list><part id="P1">${bars.join('')}</part></score-partwise>`;
};
