import { beforeEach, describe, expect, it } from 'vitest';
import { GatheredInk } from './gathered-ink.ts';

const MUSIC = { family: 'Oculon Music', size: '30pt', weight: 'normal', style: 'normal' };

describe('gathered ink', () => {
  let ink: GatheredInk;
  beforeEach(() => {
    ink = new GatheredInk();
  });
  const line = (group: string, x: number, width = 1): void => {
    ink.openGroup(group);
    ink.save().setLineWidth(width);
    ink.beginPath().moveTo(x, 0).lineTo(x, 10.00049).stroke();
    ink.restore();
    ink.closeGroup();
  };
  const glyph = (group: string, text: string, x: number): void => {
    ink.openGroup(group);
    ink.setFont(MUSIC).fillText(text, x, 5);
    ink.closeGroup();
  };

  it('has one path for all lines of a kind and width', () => {
    line('stem', 1, 1.5);
    line('stave', 2);
    line('stem', 3, 1.5);
    line('stem', 4, 2);
    expect(ink.lines).toEqual([
      { kind: 'stem', width: 1.5, dash: '', path: 'M1 0L1 10M3 0L3 10' },
      { kind: 'staff', width: 1, dash: '', path: 'M2 0L2 10' },
      { kind: 'stem', width: 2, dash: '', path: 'M4 0L4 10' },
    ]);
  });

  it('goes by the innermost group, and takes the lines of a note itself for ledger lines', () => {
    ink.openGroup('stavenote');
    line('stem', 1);
    ink.beginPath().moveTo(0, 0).lineTo(9, 0).stroke();
    ink.closeGroup();
    ink.beginPath().moveTo(0, 5).lineTo(9, 5).stroke();
    expect(ink.lines.map(({ kind }) => kind)).toEqual(['stem', 'ledger', 'sign']);
  });

  it('forgets a width and a font where VexFlow takes them back', () => {
    line('stem', 1, 3);
    ink.beginPath().moveTo(5, 0).lineTo(5, 1).stroke();
    expect(ink.lines.map(({ width }) => width)).toEqual([3, 1]);
    ink.setFont(MUSIC);
    const font = ink.getFont();
    ink.save().setFont({ ...MUSIC, size: '12pt' });
    expect(ink.getFont()).not.toBe(font);
    expect(ink.restore().getFont()).toBe(font);
  });

  it('has one text for all heads, each at its place, and another for other sizes and kinds', () => {
    glyph('notehead', '\uE0A4', 10);
    glyph('notehead', '\uE0A3', 20.12345);
    glyph('flag', '\uE240', 30);
    ink.setFont({ ...MUSIC, size: '20pt' }).fillText('\uE0A4', 40, 5);
    expect(ink.glyphs.map(({ kind, text, xs, font }) => [kind, text, xs, font.size])).toEqual([
      ['head', '\uE0A4\uE0A3', [10, 20.123], '30pt'],
      ['sign', '\uE240', [30], '30pt'],
      ['sign', '\uE0A4', [40], '20pt'],
    ]);
  });

  it('keeps words, and what is turned, as they are; blanks leave no place in a text', () => {
    ink.setFont(MUSIC).fillText('12', 1, 2).fillText(' ', 3, 4);
    ink.openRotation(-90, 7, 8);
    ink.fillText('\uEAA9', 7, 8);
    ink.closeRotation();
    ink.fillText('\uE0A4', 9, 9);
    expect(ink.words.map(({ text, turned }) => [text, turned])).toEqual([
      ['12', undefined],
      ['\uEAA9', 'rotate(-90 7 8)'],
    ]);
    expect(ink.glyphs.map(({ text }) => text)).toEqual(['\uE0A4']);
  });

  it('keeps filled shapes apart: beams that cross stay whole', () => {
    ink.openGroup('beam');
    ink.beginPath().moveTo(0, 0).lineTo(9, 0).lineTo(9, 5).closePath().fill();
    ink.fillRect(1, 2, 3, 4);
    ink.closeGroup();
    ink.beginPath().arc(5, 5, 2).fill();
    expect(ink.shapes).toEqual([
      { kind: 'bow', path: 'M0 0L9 0L9 5Z' },
      { kind: 'bow', path: 'M1 2L4 2L4 6L1 6Z' },
      { kind: 'sign', path: 'M7 5A2 2 0 0 1 3 5A2 2 0 0 1 7 5' },
    ]);
  });
});
