import type { Direction, Navigation } from '../../score/score.ts';
import { childNamed, childText, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { isHandDirection } from './marks/directions.ts';

const NAVIGATION_ATTRIBUTES: readonly (readonly [string, Navigation])[] = [
  ['segno', 'segno'],
  ['coda', 'coda'],
  ['fine', 'fine'],
  ['dacapo', 'da-capo'],
  ['dalsegno', 'dal-segno'],
  ['tocoda', 'to-coda'],
];

/** Jumps and their aims in a `direction` or `sound`. */
export const navigationIn = (element: XmlElement): Navigation[] => {
  const sounds = element.name === 'sound' ? [element] : childrenNamed(element, 'sound');
  const fromSound = NAVIGATION_ATTRIBUTES.filter(([name]) =>
    sounds.some((sound) => Object.hasOwn(sound.attributes, name)),
  ).map(([, navigation]) => navigation);
  const types = childrenNamed(element, 'direction-type');
  const words = types.flatMap((type) => childrenNamed(type, 'words')).map((each) => each.text.trim());
  const fromWords = words.flatMap((text): Navigation[] => {
    if (/^(al?|to)\s+coda/i.test(text)) return ['to-coda'];
    if (/^d\.?\s?c\.?/i.test(text)) return ['da-capo'];
    if (/^d\.?\s?s\.?/i.test(text)) return ['dal-segno'];
    return /^fine$/i.test(text) ? ['fine'] : [];
  });
  const told = new Set([...fromSound, ...fromWords]);
  // A sign drawn beside "D.S." or "To Coda" is what is meant, not where it stands.
  const signs = (['segno', 'coda'] as const).filter(
    (name) =>
      types.some((type) => childNamed(type, name)) && !told.has(name === 'segno' ? 'dal-segno' : 'to-coda'),
  );
  return [...new Set([...told, ...signs])];
};

/** Words, rehearsal marks, dynamics and tempo marks of a `direction`, as they are printed. */
export const directionTexts = (direction: XmlElement): Omit<Direction, 'bar' | 'onset'>[] => {
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
