import { STEPS, type PitchSpelling, type Step } from '../../music/pitch.ts';
import {
  NOTE_TYPES,
  type NoteType,
  type SourceFingering,
  type Stem,
  type TupletRatio,
  type StrumDirection,
} from '../../score/score.ts';
import { childNamed, childNumber, childText, childrenNamed, descend, type XmlElement } from '../xml/tree.ts';

export const SPAN_KINDS = ['hammer-on', 'pull-off', 'slur', 'slide', 'glissando'] as const;

export interface SpanEnd {
  readonly kind: (typeof SPAN_KINDS)[number];
  readonly type: 'start' | 'stop';
  readonly number: string;
}

/** A `note` element as it stands in the file, before times and pitches are settled. */
export interface RawNote {
  readonly element: XmlElement;
  readonly kind: 'pitch' | 'rest' | 'unpitched';
  readonly pitch?: PitchSpelling;
  readonly grace: boolean;
  readonly cue: boolean;
  readonly chord: boolean;
  /** In divisions; undefined when missing. */
  readonly duration?: number;
  readonly voice: string;
  readonly staff: string;
  readonly type?: NoteType;
  readonly dots: number;
  readonly ratio?: TupletRatio;
  readonly tuplet?: 'start' | 'stop';
  readonly stem?: Stem;
  readonly beam?: 'begin' | 'continue' | 'end';
  readonly wholeBarRest: boolean;
  readonly tieStart: boolean;
  readonly tieStop: boolean;
  /** A tie that leads nowhere on purpose: the note rings on. */
  readonly letRing: boolean;
  readonly spans: readonly SpanEnd[];
  readonly fermata: boolean;
  readonly arpeggiated: boolean;
  readonly strum?: StrumDirection;
  readonly articulations: readonly string[];
  readonly ornaments: readonly string[];
  readonly harmonic?: 'natural' | 'artificial';
  readonly fingering: SourceFingering;
}

const PLUCK_LETTERS = /^[pimac]$/i;

/** `fingering`, `string`, `fret` and `pluck` of a note; a letter written as a fingering is a pluck, `open-string` a 0. */
const readFingering = (technical: readonly XmlElement[]): SourceFingering => {
  const texts = (name: string) =>
    technical.flatMap((each) => childrenNamed(each, name).map((child) => child.text.trim()));
  const fingers = texts('fingering');
  const isOpen = technical.some((each) => childNamed(each, 'open-string') !== undefined);
  const finger = fingers.find((text) => /^[0-4]$/.test(text)) ?? (isOpen ? '0' : undefined);
  const pluck =
    texts('pluck').find((text) => PLUCK_LETTERS.test(text)) ??
    fingers.find((text) => PLUCK_LETTERS.test(text));
  const string = texts('string').find((text) => /^\d+$/.test(text));
  const fret = texts('fret').find((text) => /^\d+$/.test(text));
  return {
    ...(finger !== undefined && { finger: Number(finger) }),
    ...(string !== undefined && { string: Number(string) }),
    ...(fret !== undefined && { fret: Number(fret) }),
    ...(pluck !== undefined && { pluck: pluck.toLowerCase() }),
  };
};

const readPitch = (element: XmlElement): PitchSpelling | undefined => {
  const step = childText(element, 'step') as Step | undefined;
  const octave = childNumber(element, 'octave');
  return step && STEPS.includes(step) && octave !== undefined
    ? { step, alter: Math.round(childNumber(element, 'alter') ?? 0), octave }
    : undefined;
};

const readRatio = (element: XmlElement): TupletRatio | undefined => {
  const modification = childNamed(element, 'time-modification');
  const actual = modification && childNumber(modification, 'actual-notes');
  const normal = modification && childNumber(modification, 'normal-notes');
  return actual && normal ? { actual, normal } : undefined;
};

const readSpans = (
  notations: readonly XmlElement[],
  technical: readonly XmlElement[],
): readonly SpanEnd[] => {
  const ends: SpanEnd[] = [];
  const collect = (holders: readonly XmlElement[], kind: SpanEnd['kind']) => {
    for (const child of holders.flatMap((holder) => childrenNamed(holder, kind))) {
      const { type, number = '1' } = child.attributes;
      if (type === 'start' || type === 'stop') ends.push({ kind, type, number });
    }
  };
  collect(technical, 'hammer-on');
  collect(technical, 'pull-off');
  collect(notations, 'slur');
  collect(notations, 'slide');
  collect(notations, 'glissando');
  return ends;
};

/** A plectrum's down stroke goes outward; of rolled chords only one toward the bass is brushed. */
const readStrum = (
  technical: readonly XmlElement[],
  rolls: readonly XmlElement[],
): StrumDirection | undefined => {
  if (technical.some((each) => childNamed(each, 'down-bow'))) return 'outward';
  if (technical.some((each) => childNamed(each, 'up-bow'))) return 'back';
  return rolls.some((roll) => roll.attributes.direction === 'down') ? 'back' : undefined;
};

const oneOf = <const T extends string>(text: string | undefined, values: readonly T[]): T | undefined =>
  values.find((value) => value === text);

/** Reads one `note` element (MusicXML 4.0, `note`). */
export const readRawNote = (element: XmlElement): RawNote => {
  const pitchElement = childNamed(element, 'pitch');
  const rest = childNamed(element, 'rest');
  const notations = childrenNamed(element, 'notations');
  const within = (name: string) => notations.flatMap((each) => childrenNamed(each, name));
  const names = (name: string) => within(name).flatMap((each) => each.children.map((child) => child.name));
  const technical = within('technical');
  const harmonic = technical.map((each) => childNamed(each, 'harmonic')).find((each) => each !== undefined);
  const strum = readStrum(technical, within('arpeggiate'));
  const ties = [...childrenNamed(element, 'tie'), ...within('tied')].map((tie) => tie.attributes.type);
  const tuplet = within('tuplet').map((each) => oneOf(each.attributes.type, ['start', 'stop']))[0];
  const beam = childrenNamed(element, 'beam')
    .find((each) => (each.attributes.number ?? '1') === '1')
    ?.text.trim();
  const duration = childNumber(element, 'duration');
  const type = oneOf(childText(element, 'type'), NOTE_TYPES);
  const stem = oneOf(childText(element, 'stem'), ['up', 'down', 'none']);
  const ratio = readRatio(element);
  const pitch = pitchElement && readPitch(pitchElement);
  const beamEnd = oneOf(beam, ['begin', 'continue', 'end']);
  return {
    element,
    kind: rest ? 'rest' : pitchElement ? 'pitch' : 'unpitched',
    ...(pitch && { pitch }),
    grace: childNamed(element, 'grace') !== undefined,
    cue: childNamed(element, 'cue') !== undefined,
    chord: childNamed(element, 'chord') !== undefined,
    ...(duration !== undefined && { duration }),
    voice: childText(element, 'voice') || '1',
    staff: childText(element, 'staff') || '1',
    ...(type && { type }),
    dots: childrenNamed(element, 'dot').length,
    ...(ratio && { ratio }),
    ...(tuplet && { tuplet }),
    ...(stem && { stem }),
    ...(beamEnd && { beam: beamEnd }),
    wholeBarRest: rest?.attributes.measure === 'yes',
    tieStart: ties.includes('start'),
    tieStop: ties.includes('stop'),
    letRing: ties.includes('let-ring'),
    spans: readSpans(notations, technical),
    fermata: within('fermata').length > 0,
    arpeggiated: within('arpeggiate').length > 0,
    ...(strum && { strum }),
    articulations: names('articulations'),
    ornaments: names('ornaments'),
    ...(harmonic && {
      harmonic: descend(harmonic, 'artificial') ? ('artificial' as const) : ('natural' as const),
    }),
    fingering: readFingering(technical),
  };
};
