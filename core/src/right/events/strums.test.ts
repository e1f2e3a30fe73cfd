import { signText } from '../../wording/sign-words.ts';
import { wordingIn } from '../../wording/languages.ts';
import { describe, expect, it } from 'vitest';
import { clockOf } from '../../score/clock.ts';
import type { StrumDirection } from '../../score/score.ts';
import { planPiece } from '../../plan/plan.ts';
import { readMusicXml } from '../../formats/musicxml/read.ts';
import { exampleXml } from '../../testing/notation.ts';
import { exampleScore } from '../../testing/planning.ts';
import { rightSigns } from '../../technique/right-signs.ts';
import { strumsOf } from './strums.ts';

const CHORD = 'E2+B2+E3+G3+B3+E4';
const strummed = (voice: string, written: readonly (StrumDirection | undefined)[] = []) => {
  const score = exampleScore({ voices: [voice], tempo: 90 });
  const onsets = [...new Set(score.notes.map((note) => note.onset))];
  const marked = {
    ...score,
    notes: score.notes.map((note) => {
      const strum = written[onsets.indexOf(note.onset)];
      return { ...note, ...(strum && { strum }) };
    }),
  };
  const plan = planPiece(marked);
  return { plan, strums: [...strumsOf(marked, plan.left, clockOf(marked)).values()] };
};

describe('strums', () => {
  // Common practice, no published source (handbook §4: a-m-i outward, index back).
  it('a quick series of full chords is a rasgueado, a m i outward', () => {
    const { plan, strums } = strummed([CHORD, CHORD, CHORD, CHORD].map((each) => `${each}/16`).join(' '));
    expect(strums.map(({ finger }) => finger).join('')).toBe('amia');
    expect(strums.every(({ isRasgueado }) => isRasgueado)).toBe(true);
    expect(plan.notes.every((note) => note.pluck === undefined)).toBe(true);
  });

  it('a written back stroke in it is the index, and the outward order goes on after it', () => {
    const { strums } = strummed([CHORD, CHORD, CHORD, CHORD, CHORD].map((each) => `${each}/16`).join(' '), [
      undefined,
      undefined,
      undefined,
      'back',
      undefined,
    ]);
    expect(strums.map(({ finger }) => finger).join('')).toBe('amiia');
    expect(strums[3]!.direction).toBe('back');
  });

  it('the same chords slowly are plucked', () => {
    const { plan, strums } = strummed(`${CHORD}/4 ${CHORD}/4 ${CHORD}/4 ${CHORD}/4`);
    expect(strums).toEqual([]);
    expect(plan.notes.every((note) => note.pluck !== undefined)).toBe(true);
  });

  it('a plectrum sign on a single note is shown, and the note is plucked all the same', () => {
    const xml = exampleXml({ voices: ['E4/2 G4/2'] });
    const first = xml.indexOf('</note>');
    const read = readMusicXml(
      `${xml.slice(0, first)}<notations><technical><down-bow/></technical></notations>${xml.slice(first)}`,
    );
    if (!read.ok) throw new Error(read.error.code);
    const plan = planPiece(read.value.score);
    expect(plan.right.strums).toEqual([]);
    expect(plan.notes[0]!.pluck).toBeDefined();
    const signs = rightSigns(plan.performance);
    expect(signs.filter(({ kind }) => kind === 'written-strum').map((each) => each.sign)).toEqual(['⊓']);
  });

  it('plectrum signs and rolls toward the bass are read, kept and shown', () => {
    const xml = exampleXml({ voices: ['E3+G3+B3+E4/2 E3+G3+B3+E4/2'] });
    const first = xml.indexOf('</note>');
    const marked = `${xml.slice(0, first)}<notations><technical><up-bow/></technical></notations>${xml.slice(first)}`;
    const read = readMusicXml(marked);
    if (!read.ok) throw new Error(read.error.code);
    const plan = planPiece(read.value.score);
    expect(plan.right.strums).toHaveLength(1);
    expect(plan.right.strums[0]).toMatchObject({ direction: 'back', finger: 'i', isRasgueado: false });
    const signs = rightSigns(plan.performance);
    expect(
      signText(
        wordingIn('en'),
        signs.find(({ kind }) => kind === 'strum')!,
      ),
    ).toMatch(/i brushes back/);
  });
});
