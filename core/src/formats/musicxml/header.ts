import { midiOf, parsePitch, type Midi } from '../../music/pitch.ts';
import { childNamed, childNumber, childText, childrenNamed, descend, type XmlElement } from '../xml/tree.ts';
import type { MeasureSource } from './parts.ts';

/** Everything that the bars say about the instrument of their staff. */
export const staffDetails = (measures: readonly MeasureSource[]): readonly XmlElement[] =>
  measures.flatMap((measure) =>
    measure.children
      .filter((child) => child.name === 'attributes')
      .flatMap((each) => childrenNamed(each, 'staff-details')),
  );

/** Open strings ① to ⑥ from `staff-tuning` (line 1 is the lowest), when all six are given. */
export const readTuning = (details: readonly XmlElement[]): readonly Midi[] | undefined => {
  const lines = details.flatMap((each) => childrenNamed(each, 'staff-tuning'));
  const pitches = lines.flatMap((line) => {
    const pitch = parsePitch(`${childText(line, 'tuning-step')}${childText(line, 'tuning-octave')}`);
    return pitch ? [midiOf({ ...pitch, alter: childNumber(line, 'tuning-alter') ?? 0 })] : [];
  });
  return pitches.length === 6 ? pitches.sort((a, b) => b - a) : undefined;
};

export const readTitle = (root: XmlElement): string => {
  const credits = childrenNamed(root, 'credit').flatMap((credit) =>
    childText(credit, 'credit-type') === 'title' ? childrenNamed(credit, 'credit-words') : [],
  );
  const work = descend(root, 'work', 'work-title')?.text.trim();
  return work || childText(root, 'movement-title') || credits[0]?.text.trim() || '';
};

export const readComposer = (root: XmlElement): string => {
  const creators = childrenNamed(childNamed(root, 'identification') ?? root, 'creator');
  const composer = creators.find((each) => each.attributes.type === 'composer') ?? creators[0];
  return composer?.text.trim() ?? '';
};
