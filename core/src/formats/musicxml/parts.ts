import { failure, success, type Result } from '../../music/result.ts';
import type { ImportProblem, PartName } from '../import-problem.ts';
import { childNamed, childText, childrenNamed, type XmlElement } from '../xml/tree.ts';
import { measuresOf } from './measures.ts';
import { isTablatureOnly } from './tablature.ts';

const partListOf = (root: XmlElement): readonly XmlElement[] =>
  childrenNamed(childNamed(root, 'part-list') ?? root, 'score-part');

const partName = (part: XmlElement): string =>
  childText(part, 'part-name') || childText(part, 'part-abbreviation') || part.attributes.id || '?';

/** General MIDI programs 25 to 32 (1-based) are the guitars (MIDI Association, GM level 1 sound set). */
const isGuitarProgram = (program: number): boolean => program >= 25 && program <= 32;

const soundsLikeGuitar = (part: XmlElement): boolean => {
  const names = [
    partName(part),
    ...childrenNamed(part, 'score-instrument').map((each) => each.children.map((c) => c.text).join(' ')),
  ];
  const programs = childrenNamed(part, 'midi-instrument').map((each) =>
    Number(childText(each, 'midi-program')),
  );
  return (
    names.some((name) => /guit|gitarr|chitarra|kitara|pluck\.guitar/i.test(name)) ||
    programs.some(isGuitarProgram)
  );
};

/** Whether the root element is a score, arranged by part or by bar. */
export const checkRoot = (root: XmlElement): ImportProblem | undefined =>
  root.name === 'score-partwise' || root.name === 'score-timewise'
    ? undefined
    : {
        code: 'not-musicxml',
        values: { root: root.name },
      };

const hasMusic = (root: XmlElement, id: string): boolean =>
  measuresOf(root, id).some((measure) => measure.children.some((child) => child.name === 'note'));

/** The part to read, and parts of tablature that may say the same music again. */
export interface ChosenPart extends PartName {
  readonly tablature: readonly PartName[];
}

/**
 * The part to read: the one asked for, the only one, or the only one that is a guitar; tablature beside a part in notes
 * is no choice of its own. Otherwise the problem lists the parts to choose from.
 */
export const choosePart = (root: XmlElement, wanted?: string): Result<ChosenPart, ImportProblem> => {
  const declared = partListOf(root).map((part) => ({
    id: part.attributes.id ?? '',
    name: partName(part),
    part,
  }));
  const parts = declared.filter(({ id }) => hasMusic(root, id));
  const isTablature = new Map(parts.map(({ id }) => [id, isTablatureOnly(measuresOf(root, id))]));
  const chosen = ({ id, name }: PartName): Result<ChosenPart, ImportProblem> =>
    success({
      id,
      name,
      tablature: isTablature.get(id)
        ? []
        : parts.filter((part) => isTablature.get(part.id)).map((part) => ({ id: part.id, name: part.name })),
    });
  if (wanted !== undefined) {
    const found = parts.find(
      (part, index) => part.id === wanted || part.name === wanted || String(index + 1) === wanted,
    );
    if (found) return chosen(found);
  } else {
    const noted = parts.filter(({ id }) => !isTablature.get(id));
    const candidates = noted.length === 0 ? parts : noted;
    if (candidates.length === 1) return chosen(candidates[0]!);
    const guitars = candidates.filter(({ part }) => soundsLikeGuitar(part));
    if (guitars.length === 1) return chosen(guitars[0]!);
  }
  if (parts.length === 0) return failure({ code: 'no-notes', values: { part: undefined } });
  const names = parts.map(({ id, name }) => ({ id, name }));
  return failure({
    code: 'choose-part',
    values: { wanted, parts: names },
  });
};
