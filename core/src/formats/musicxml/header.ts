import { childNamed, childText, childrenNamed, descend, type XmlElement } from '../xml/tree.ts';

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
