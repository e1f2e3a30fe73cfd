import type { StringNumber } from '../../../instrument/guitar.ts';
import { childrenNamed, type XmlElement } from '../../xml/tree.ts';
import { readBracketWords, readDampWords, type BracketMark } from './mark-text.ts';

/** What a `direction` says about the hands, when it says nothing else. */
export type DirectionMark =
  | { readonly kind: 'bracket-start'; readonly number: string; readonly mark: BracketMark }
  | { readonly kind: 'bracket-stop'; readonly number: string }
  | { readonly kind: 'damp'; readonly string: StringNumber }
  | { readonly kind: 'text'; readonly text: string };

/** Parts of a direction that place it and say nothing. */
const PLACING = new Set(['direction-type', 'offset', 'footnote', 'level', 'voice', 'staff']);

/** Reads a `direction` as a mark: words with a bracket, damping with a string, or words alone. */
export const readDirectionMark = (direction: XmlElement): DirectionMark | undefined => {
  if (direction.name !== 'direction' || direction.children.some(({ name }) => !PLACING.has(name)))
    return undefined;
  const types = childrenNamed(direction, 'direction-type').flatMap((type) => type.children);
  const words = types.filter(({ name }) => name === 'words').map(({ text }) => text.trim());
  const others = types.filter(({ name }) => name !== 'words');
  const [other] = others;
  if (others.length > 1 || words.length > 1) return undefined;
  const text = words[0] ?? '';
  if (!other) return text === '' ? undefined : { kind: 'text', text };
  if (other.name === 'damp') {
    const string = readDampWords(text);
    return string && { kind: 'damp', string };
  }
  if (other.name !== 'bracket') return undefined;
  const { type, number = '1' } = other.attributes;
  if (type === 'stop') return text === '' ? { kind: 'bracket-stop', number } : undefined;
  const mark = type === 'start' ? readBracketWords(text) : undefined;
  return mark && { kind: 'bracket-start', number, mark };
};

/** Whether a direction is drawn as a mark of the hands rather than as words of the source. */
export const isHandDirection = (direction: XmlElement): boolean => {
  const mark = readDirectionMark(direction);
  return mark !== undefined && mark.kind !== 'text';
};
