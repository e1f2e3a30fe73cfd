import { sharpSpelling } from '../../music/pitch.ts';
import type {
  Bar,
  BarVoice,
  Direction,
  Navigation,
  Note,
  NoteIndex,
  Score,
  VoiceEvent,
} from '../../score/score.ts';
import { NAVIGATION_WORDS } from '../../score/score.ts';
import { escapeXml } from '../xml/splice.ts';

/** An element as text: `element('type', {}, 'quarter')`. Children are elements already. */
const element = (
  name: string,
  attributes: Readonly<Record<string, string>> = {},
  ...children: string[]
): string => {
  const written = Object.entries(attributes)
    .map(([attribute, value]) => ` ${attribute}="${escapeXml(value)}"`)
    .join('');
  const inner = children.filter(Boolean).join('');
  return inner === '' ? `<${name}${written}/>` : `<${name}${written}>${inner}</${name}>`;
};
const text = (
  name: string,
  value: string | number,
  attributes: Readonly<Record<string, string>> = {},
): string => element(name, attributes, escapeXml(String(value)));

/** A slur as it is written: at the first note of a run and at the last. */
interface SlurEnds {
  readonly starts: ReadonlySet<NoteIndex>;
  readonly stops: ReadonlySet<NoteIndex>;
}

/** Where technical slurs begin and end: notes that are slurred from one to the next share a slur. */
const slurEnds = (score: Score, kind: 'slur' | 'hammer-on' | 'pull-off'): SlurEnds => {
  const from = score.notes.flatMap(({ slurredFrom }) =>
    slurredFrom?.kind === kind ? [slurredFrom.note] : [],
  );
  const to = score.notes.filter(({ slurredFrom }) => slurredFrom?.kind === kind).map(({ index }) => index);
  const reached = new Set(to);
  const left = new Set(from);
  return {
    starts: new Set(from.filter((note) => !reached.has(note))),
    stops: new Set(to.filter((note) => !left.has(note))),
  };
};

const SPAN_TEXT = { 'hammer-on': 'H', 'pull-off': 'P' } as const;

/** Everything that notes need to know of each other to be written. */
class Links {
  readonly tied: ReadonlySet<NoteIndex>;
  readonly slides: SlurEnds;
  readonly slurs: SlurEnds;
  readonly technical: Readonly<Record<keyof typeof SPAN_TEXT, SlurEnds>>;

  constructor(score: Score) {
    this.tied = new Set(score.notes.flatMap(({ tiedFrom }) => (tiedFrom === undefined ? [] : [tiedFrom])));
    const slid = score.notes.filter(({ slideFrom }) => slideFrom !== undefined);
    this.slides = {
      starts: new Set(slid.map(({ slideFrom }) => slideFrom!)),
      stops: new Set(slid.map(({ index }) => index)),
    };
    this.slurs = slurEnds(score, 'slur');
    this.technical = { 'hammer-on': slurEnds(score, 'hammer-on'), 'pull-off': slurEnds(score, 'pull-off') };
  }
}

const spanNotations = (name: string, note: NoteIndex, { starts, stops }: SlurEnds): readonly string[] => [
  ...(stops.has(note) ? [element(name, { type: 'stop', number: '1' })] : []),
  ...(starts.has(note) ? [element(name, { type: 'start', number: '1' })] : []),
];

const technicalOf = (note: Note, links: Links): readonly string[] => {
  const { finger, string, fret, pluck, other = [] } = note.fingering;
  const spans = (Object.keys(SPAN_TEXT) as (keyof typeof SPAN_TEXT)[]).flatMap((kind) => {
    const { starts, stops } = links.technical[kind];
    return [
      ...(stops.has(note.index) ? [element(kind, { type: 'stop', number: '1' })] : []),
      ...(starts.has(note.index) ? [text(kind, SPAN_TEXT[kind], { type: 'start', number: '1' })] : []),
    ];
  });
  return [
    ...(note.harmonic ? [element('harmonic', {}, element(note.harmonic), element('sounding-pitch'))] : []),
    ...(finger === undefined ? [] : [text('fingering', finger)]),
    ...other.map((each) => text('fingering', each)),
    ...(pluck === undefined ? [] : [text('pluck', pluck)]),
    ...(string === undefined ? [] : [text('string', string)]),
    ...(fret === undefined ? [] : [text('fret', fret)]),
    ...(note.strum === undefined ? [] : [element(note.strum === 'outward' ? 'down-bow' : 'up-bow')]),
    ...spans,
  ];
};

const named = (name: string, children: readonly string[]): string =>
  children.length === 0 ? '' : element(name, {}, ...children);

const notationsOf = (event: VoiceEvent, note: Note | undefined, isFirst: boolean, links: Links): string =>
  named(
    'notations',
    [
      ...(note?.tiedFrom === undefined ? [] : [element('tied', { type: 'stop' })]),
      ...(note && links.tied.has(note.index) ? [element('tied', { type: 'start' })] : []),
      ...(note?.letRing ? [element('tied', { type: 'let-ring' })] : []),
      ...(note ? spanNotations('slur', note.index, links.slurs) : []),
      ...(event.tuplet && isFirst ? [element('tuplet', { type: event.tuplet, number: '1' })] : []),
      ...(note ? spanNotations('slide', note.index, links.slides) : []),
      named(
        'ornaments',
        (note?.ornaments ?? []).map((each) => element(each)),
      ),
      named('technical', note ? technicalOf(note, links) : []),
      named(
        'articulations',
        (note?.articulations ?? []).map((each) => element(each)),
      ),
      ...(event.fermata && isFirst ? [element('fermata', { type: 'upright' })] : []),
      ...(note?.arpeggiated ? [element('arpeggiate')] : []),
    ].filter(Boolean),
  );

const noteXml = (
  event: VoiceEvent,
  note: Note | undefined,
  isFirst: boolean,
  voice: string,
  links: Links,
): string => {
  // Under an octave clef the file gives what sounds.
  const pitch = note?.sounding;
  const isTied = note !== undefined && links.tied.has(note.index);
  return element(
    'note',
    {},
    event.grace ? element('grace', { slash: 'yes' }) : '',
    isFirst ? '' : element('chord'),
    pitch
      ? element(
          'pitch',
          {},
          text('step', pitch.step),
          pitch.alter === 0 ? '' : text('alter', pitch.alter),
          text('octave', pitch.octave),
        )
      : element('rest', event.wholeBarRest ? { measure: 'yes' } : {}),
    event.grace ? '' : text('duration', event.duration),
    note?.tiedFrom === undefined ? '' : element('tie', { type: 'stop' }),
    isTied ? element('tie', { type: 'start' }) : '',
    text('voice', voice),
    event.wholeBarRest ? '' : text('type', event.type),
    element('dot').repeat(event.dots),
    event.ratio
      ? element(
          'time-modification',
          {},
          text('actual-notes', event.ratio.actual),
          text('normal-notes', event.ratio.normal),
        )
      : '',
    event.stem ? text('stem', event.stem) : '',
    event.beam && isFirst ? text('beam', event.beam, { number: '1' }) : '',
    notationsOf(event, note, isFirst, links),
  );
};

/** One voice of a bar; nothing for what is not there. */
const voiceXml = ({ name, events }: BarVoice, score: Score, links: Links): readonly string[] =>
  events.flatMap((event): readonly string[] => {
    if (event.kind === 'space')
      return [element('forward', {}, text('duration', event.duration), text('voice', name))];
    if (event.kind === 'rest') return [noteXml(event, undefined, true, name, links)];
    return event.notes.map((index, place) => noteXml(event, score.notes[index], place === 0, name, links));
  });

/** How playback is told of a jump. */
const NAVIGATION_SOUNDS: Readonly<Record<Navigation, Readonly<Record<string, string>>>> = {
  segno: { segno: 'segno' },
  coda: { coda: 'coda' },
  fine: { fine: 'yes' },
  'da-capo': { dacapo: 'yes' },
  'dal-segno': { dalsegno: 'segno' },
  'to-coda': { tocoda: 'coda' },
};

const navigationXml = (sign: Navigation): string => {
  const words = NAVIGATION_WORDS[sign];
  return element(
    'direction',
    { placement: 'above' },
    element('direction-type', {}, words === undefined ? element(sign) : text('words', words)),
    element('sound', NAVIGATION_SOUNDS[sign]),
  );
};
const isWorded = (sign: Navigation): boolean => NAVIGATION_WORDS[sign] !== undefined;

const BEAT_UNITS = /^(\w+)=(.+)$/;

const directionXml = (
  { kind, text: content }: Direction,
  offset: number,
  tempo: number | undefined,
): string => {
  const place = kind === 'dynamics' ? 'below' : 'above';
  const [, unit = 'quarter', perMinute = content] = BEAT_UNITS.exec(content) ?? [];
  const inner =
    kind === 'tempo'
      ? element('metronome', {}, text('beat-unit', unit), text('per-minute', perMinute))
      : kind === 'dynamics'
        ? element('dynamics', {}, element(content))
        : text(kind, content);
  return element(
    'direction',
    { placement: place },
    element('direction-type', {}, inner),
    offset === 0 ? '' : text('offset', offset),
    kind === 'tempo' && tempo !== undefined ? element('sound', { tempo: String(tempo) }) : '',
  );
};

const barlinesOf = ({ repeatStart, repeatEnd, repeatTimes, ending, barline }: Bar) => {
  const opening = [
    ...(repeatStart ? [text('bar-style', 'heavy-light')] : []),
    ...(ending?.starts ? [element('ending', { number: ending.numbers, type: 'start' })] : []),
    ...(repeatStart ? [element('repeat', { direction: 'forward' })] : []),
  ];
  const style =
    repeatEnd || barline === 'final' ? 'light-heavy' : barline === 'double' ? 'light-light' : undefined;
  const times: Readonly<Record<string, string>> = repeatTimes === 2 ? {} : { times: String(repeatTimes) };
  const closing = [
    ...(style ? [text('bar-style', style)] : []),
    ...(ending?.stops ? [element('ending', { number: ending.numbers, type: 'stop' })] : []),
    ...(repeatEnd ? [element('repeat', { direction: 'backward', ...times })] : []),
  ];
  return {
    left: opening.length > 0 ? element('barline', { location: 'left' }, ...opening) : '',
    right: closing.length > 0 ? element('barline', { location: 'right' }, ...closing) : '',
  };
};

const attributesXml = (score: Score, bar: Bar): string => {
  const isFirst = bar.index === 0;
  if (!isFirst && !bar.meterChange && !bar.keyChange) return '';
  const strings = (score.tuning ?? []).map((open, index) => {
    const { step, alter, octave } = sharpSpelling(open);
    return element(
      'staff-tuning',
      { line: String(6 - index) },
      text('tuning-step', step),
      alter === 0 ? '' : text('tuning-alter', alter),
      text('tuning-octave', octave),
    );
  });
  return element(
    'attributes',
    {},
    isFirst ? text('divisions', score.ticksPerQuarter) : '',
    isFirst || bar.keyChange
      ? element('key', {}, text('fifths', bar.key), bar.mode ? text('mode', bar.mode) : '')
      : '',
    isFirst || bar.meterChange
      ? element('time', {}, text('beats', bar.meter.beats), text('beat-type', bar.meter.beatType))
      : '',
    isFirst ? element('clef', {}, text('sign', 'G'), text('line', 2), text('clef-octave-change', -1)) : '',
    isFirst && (strings.length > 0 || score.capo > 0)
      ? element('staff-details', {}, ...strings.reverse(), score.capo > 0 ? text('capo', score.capo) : '')
      : '',
  );
};

const barXml = (score: Score, bar: Bar, links: Links): string => {
  const { left, right } = barlinesOf(bar);
  const voices = bar.voices.map((voice) => voiceXml(voice, score, links));
  const lengths = bar.voices.map(({ events }) => events.reduce((sum, { duration }) => sum + duration, 0));
  const jumps = bar.navigation.map((sign) => NAVIGATION_WORDS[sign]);
  const own = score.directions.filter(
    (direction) => direction.bar === bar.index && !jumps.includes(direction.text),
  );
  const tempoAt = (onset: number) => score.tempi.find((mark) => mark.onset === onset)?.quartersPerMinute;
  const parts = voices.flatMap((notes, index) => [
    ...(index === 0 ? [] : [element('backup', {}, text('duration', lengths[index - 1]!))]),
    ...notes,
  ]);
  const lines = [
    left,
    attributesXml(score, bar),
    ...bar.navigation.filter((sign) => !isWorded(sign)).map(navigationXml),
    ...own.map((direction) => directionXml(direction, direction.onset - bar.start, tempoAt(direction.onset))),
    // A tempo that nothing printed tells is heard all the same.
    ...score.tempi
      .filter(
        ({ onset }) =>
          onset >= bar.start &&
          onset < bar.start + bar.length &&
          !own.some((direction) => direction.kind === 'tempo' && direction.onset === onset),
      )
      .map(({ onset, quartersPerMinute }) =>
        element(
          'sound',
          { tempo: String(quartersPerMinute) },
          onset === bar.start ? '' : text('offset', onset - bar.start),
        ),
      ),
    ...parts,
    ...bar.navigation.filter(isWorded).map(navigationXml),
    right,
  ].filter(Boolean);
  return `    <measure number="${escapeXml(bar.number)}"${bar.pickup ? ' implicit="yes"' : ''}>\n${lines.map((line) => `      ${line}`).join('\n')}\n    </measure>`;
};

/** A title as it is shown in the list of parts. */
const PART_NAME = 'Guitar';

/**
 * A score as a new MusicXML document (version 4.0, one part, an octave clef as guitars are written): for music that came
 * from no file. What was read from a file goes out through `writeMusicXml`, which keeps everything else of it.
 */
export const writeNewMusicXml = (score: Score): string => {
  const links = new Links(score);
  const composer = score.composer === '' ? '' : text('creator', score.composer, { type: 'composer' });
  return `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
<score-partwise version="4.0">
  ${element('work', {}, text('work-title', score.title))}
${composer ? `  ${element('identification', {}, composer)}\n` : ''}  ${element('part-list', {}, element('score-part', { id: 'P1' }, text('part-name', PART_NAME)))}
  <part id="P1">
${score.bars.map((bar) => barXml(score, bar, links)).join('\n')}
  </part>
</score-partwise>
`;
};
