import { STEPS, type PitchSpelling, type Step } from '../../music/pitch.ts';
import {
  NOTE_TYPES,
  type NoteType,
  type SourceFingering,
  type Stem,
  type TupletRatio,
  type StrumDirection,
} from '../../score/score.ts';
import { childNamed, childText, childrenNamed, descend, type XmlElement } from '../xml/tree.ts';
import { readFingering } from './source-fingering.ts';
import type { NumberGate } from './numbers.ts';

export const SPAN_KINDS = ['hammer-on', 'pull-off', 'slur', 'slide', 'glissando'] as const;

export interface SpanEnd {
  readonly kind: (typeof SPAN_KINDS)[number];
  readonly type: 'start' | 'stop';
  readonly number: string;
}

/** A harmonic, and which of its three pitches the note writes; undefined where the file does not say. */
export interface RawHarmonic {
  readonly kind: 'natural' | 'artificial';
  readonly writes: 'base-pitch' | 'touching-pitch' | 'sounding-pitch' | undefined;
}

/** A `note` element as it stands in the file, before times and pitches are settled. */
export interface RawNote {
  readonly element: XmlElement;
  readonly kind: 'pitch' | 'rest' | 'unpitched';
  readonly pitch?: PitchSpelling;
  readonly grace: boolean;
  readonly cue: boolean;
  /** Not printed: it takes its time, and nobody plays it from the page. */
  readonly hidden: boolean;
  readonly quarterTone: boolean;
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
  readonly harmonic?: RawHarmonic;
  readonly fingering: SourceFingering;
}

/** The written pitch; a quarter-tone is read as the semitone next to it on the side of the natural tone. */
const readPitch = (element: XmlElement, gate: NumberGate): PitchSpelling | undefined => {
  const step = childText(element, 'step') as Step | undefined;
  const octave = gate.child(element, 'octave');
  return step && STEPS.includes(step) && octave !== undefined
    ? { step, alter: Math.trunc(gate.child(element, 'alter') ?? 0) + 0, octave }
    : undefined;
};

const isBetweenSemitones = (pitch: XmlElement | undefined): boolean =>
  pitch !== undefined && !Number.isInteger(Number(childText(pitch, 'alter') ?? 0));

const readRatio = (element: XmlElement, gate: NumberGate): TupletRatio | undefined => {
  const modification = childNamed(element, 'time-modification');
  const actual = modification && gate.child(modification, 'actual-notes');
  const normal = modification && gate.child(modification, 'normal-notes');
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

const readHarmonic = (technical: readonly XmlElement[]): RawHarmonic | undefined => {
  const element = technical.map((each) => childNamed(each, 'harmonic')).find((each) => each !== undefined);
  return (
    element && {
      kind: descend(element, 'artificial') ? 'artificial' : 'natural',
      writes: (['base-pitch', 'touching-pitch', 'sounding-pitch'] as const).find((each) =>
        childNamed(element, each),
      ),
    }
  );
};

/** Reads one `note` element (MusicXML 4.0, `note`). */
export const readRawNote = (element: XmlElement, gate: NumberGate): RawNote => {
  const pitchElement = childNamed(element, 'pitch');
  const rest = childNamed(element, 'rest');
  const notations = childrenNamed(element, 'notations');
  const within = (name: string) => notations.flatMap((each) => childrenNamed(each, name));
  const names = (name: string) => within(name).flatMap((each) => each.children.map((child) => child.name));
  const technical = within('technical');
  const harmonic = readHarmonic(technical);
  const strum = readStrum(technical, within('arpeggiate'));
  const ties = [...childrenNamed(element, 'tie'), ...within('tied')].map((tie) => tie.attributes.type);
  const tuplet = within('tuplet').map((each) => oneOf(each.attributes.type, ['start', 'stop']))[0];
  const beam = childrenNamed(element, 'beam')
    .find((each) => (each.attributes.number ?? '1') === '1')
    ?.text.trim();
  const duration = gate.child(element, 'duration');
  const type = oneOf(childText(element, 'type'), NOTE_TYPES);
  const stem = oneOf(childText(element, 'stem'), ['up', 'down', 'none']);
  const ratio = readRatio(element, gate);
  const pitch = pitchElement && readPitch(pitchElement, gate);
  const beamEnd = oneOf(beam, ['begin', 'continue', 'end']);
  return {
    element,
    kind: rest ? 'rest' : pitchElement ? 'pitch' : 'unpitched',
    ...(pitch && { pitch }),
    grace: childNamed(element, 'grace') !== undefined,
    cue: childNamed(element, 'cue') !== undefined,
    hidden: element.attributes['print-object'] === 'no',
    quarterTone: isBetweenSemitones(pitchElement),
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
    ...(harmonic && { harmonic }),
    fingering: readFingering(technical),
  };
};
