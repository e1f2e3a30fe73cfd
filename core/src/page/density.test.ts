import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { romanNumeral } from '../formats/musicxml/marks/mark-text.ts';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { planPiece, type Plan } from '../plan/plan.ts';
import { exampleScore, planAs, planVoices, struckNotes } from '../testing/planning.ts';
import { DENSITIES, markedPage } from './density.ts';
import { HAND_MARKED } from './hand-marked.ts';
import { readLeft } from './left-reader.ts';
import { Page } from './page-marks.ts';
import { readerView } from './reader-view.ts';

const STUDIES = fileURLToPath(new URL('../../../demo/studies/', import.meta.url));

const study = (file: string): Plan => {
  const read = readMusicXml(readFileSync(`${STUDIES}${file}`, 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  return planPiece(read.value.score);
};

/** The plan as `HandMarked.marked` writes it, with the marks of its essential page. */
const essentialText = (plan: Plan): string => {
  const { page, reads } = markedPage(plan, 'essential');
  expect(reads).toBe(true);
  const { left } = plan;
  return struckNotes(plan)
    .map(({ index, onset }) => {
      const sound = left.piece.soundOf.get(index)!;
      const { string, finger } = plan.notes[index]!;
      const slice = [...page.positions].find((each) => {
        const at = left.hands[each]!.slice;
        return at.onset === onset && at.struck[0] === sound;
      });
      const numeral = slice === undefined ? '' : `${romanNumeral(left.hands[slice]!.position)}>`;
      return `${numeral}${string}:${finger}${page.has(sound, 'string') ? 'o' : ''}${page.has(sound, 'finger') ? '!' : ''}`;
    })
    .join(' ');
};

describe('essential marks', () => {
  it.each(HAND_MARKED)('are those that a teacher writes: $name', ({ voices, marked }) => {
    const bare = marked.replace(/[!o]|[IVX]+>/g, '');
    expect(essentialText(planAs(voices, bare))).toBe(marked);
  });

  it.each(readdirSync(STUDIES))(
    'give all of %s back, with a digit on a third of the stopped notes at most',
    (file) => {
      const plan = study(file);
      const { page, reads } = markedPage(plan, 'essential');
      expect(reads).toBe(true);
      const isStopped = (sound: number) => plan.left.choices[sound]!.finger > 0;
      const digits = [...page.at].filter(([, { finger }]) => finger).map(([sound]) => sound);
      const stopped = plan.left.sounds.filter(
        ({ index }) => plan.left.choices[index] && isStopped(index),
      ).length;
      expect(digits.filter(isStopped).length).toBeLessThanOrEqual(stopped / 3);
      // Hardly any zero.
      expect(digits.filter((sound) => !isStopped(sound)).length).toBeLessThanOrEqual(4);
    },
  );

  it('give generated pieces back, and none could be left out', () => {
    const pitch = fc.constantFrom(
      'E2',
      'A2',
      'C3',
      'E3',
      'G3',
      'A3',
      'C4',
      'D4',
      'E4',
      'F4',
      'G4',
      'A4',
      'C5',
      'E5',
    );
    const note = fc.tuple(fc.uniqueArray(pitch, { minLength: 1, maxLength: 3 }), fc.constantFrom('4', '8'));
    fc.assert(
      fc.property(fc.array(note, { minLength: 4, maxLength: 16 }), (notes) => {
        const bar = notes.map(([pitches, length]) => `${pitches.join('+')}/${length}`).join(' ');
        const plan = planPiece(exampleScore({ voices: [bar], tempo: 90 }));
        const { page, reads } = markedPage(plan, 'essential');
        expect(reads).toBe(true);
        const view = readerView(plan.performance, plan.barres);
        for (const sound of [...page.at.keys()])
          for (const field of ['finger', 'string'] as const) {
            if (!page.has(sound, field)) continue;
            page.erase(sound, field);
            const { reading, thinks } = readLeft(view, page);
            const isWrong = view.notes.some(
              (each) =>
                each &&
                (reading.strings[each.sound] !== each.string || reading.fingers[each.sound] !== each.finger),
            );
            expect(isWrong || thinks.size > 0).toBe(true);
            page.write(sound, field);
          }
      }),
      { numRuns: 60, endOnFailure: true },
    );
  }, 60_000);

  it('need no letter for a pattern that goes on, nor for a tremolo', () => {
    const broken = 'E2/8 G3/8 B3/8 E4/8 B3/8 G3/8 B3/8 E4/8';
    const letters = (plan: Plan) =>
      [...markedPage(plan, 'essential').page.at.values()].filter((each) => each.pluck).length;
    expect(letters(planVoices([`${broken} | ${broken} | ${broken}`]))).toBeLessThanOrEqual(2);
    const tremolo = 'E4/16 E4/16 E4/16';
    expect(letters(planVoices([`A2/16 ${tremolo} E2/16 ${tremolo} A2/16 ${tremolo} E2/16 ${tremolo}`]))).toBe(
      0,
    );
  });
});

describe('the densities', () => {
  it('grow, and each reads', () => {
    const plan = study('stairs-of-glass.musicxml');
    const counts = DENSITIES.map((density) => {
      const { page, reads } = markedPage(plan, density);
      expect(reads).toBe(true);
      return [...page.at.values()].flatMap((marks) => Object.values(marks)).filter(Boolean).length;
    });
    expect(counts[0]).toBeLessThan(counts[1]!);
    expect(counts[1]).toBeLessThan(counts[2]!);
  });

  it('circle a string only where a reader needs it, also in bars that are full', () => {
    const plan = study('stairs-of-glass.musicxml');
    const strings = [...markedPage(plan, 'working').page.at.values()].filter(({ string }) => string).length;
    expect(strings).toBeLessThanOrEqual(2);
  });

  it('leave out the numeral of a position that a barre tells', () => {
    const plan = planAs(['A2/4 C#4/4 E4/4 A4/4'], '5:0 3:2 2:1 1:1');
    expect(plan.barres).toHaveLength(1);
    expect([...markedPage(plan, 'everything').page.positions]).toEqual([]);
  });
});

describe('a reader', () => {
  it('without any mark is in doubt, or plays the lowest position', () => {
    const plan = planVoices(['E4/4 G4/4 A4/4 E4/4']);
    const view = readerView(plan.performance, plan.barres);
    const { reading } = readLeft(view, new Page(plan.barres));
    expect([...reading.strings]).toEqual([1, 1, 1, 1]);
  });
});
