import { childrenNamed, type XmlElement } from '../xml/tree.ts';

/** One bar of one part, whichever way the document is arranged. */
export interface MeasureSource {
  readonly number: string;
  readonly implicit: boolean;
  readonly children: readonly XmlElement[];
}

/** The bars of one part, from a score arranged by part or by bar. */
export const measuresOf = (root: XmlElement, id: string): readonly MeasureSource[] => {
  const source = (measure: XmlElement, holder: XmlElement): MeasureSource => ({
    number: measure.attributes.number ?? '',
    implicit: measure.attributes.implicit === 'yes',
    children: holder.children,
  });
  if (root.name === 'score-timewise')
    return childrenNamed(root, 'measure').flatMap((measure) => {
      const part = childrenNamed(measure, 'part').find((each) => each.attributes.id === id);
      return part ? [source(measure, part)] : [];
    });
  const part = childrenNamed(root, 'part').find((each) => each.attributes.id === id);
  return part ? childrenNamed(part, 'measure').map((measure) => source(measure, measure)) : [];
};
