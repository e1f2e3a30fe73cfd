import { accidentalsOf, keyAlteration, readMusicXml, type Score } from '@oculon/core';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { breakSystems } from './breaks.ts';
import { naturalWidth } from './widths.ts';

const study = (name: string): Score => {
  const read = readMusicXml(
    readFileSync(
      fileURLToPath(new URL(`../../../../demo/studies/${name}.musicxml`, import.meta.url)),
      'utf8',
    ),
  );
  if (!read.ok) throw new Error(read.error.code);
  return read.value.score;
};

describe('accidentals', () => {
  it('follow the key: F♯ in one sharp, B♭ in one flat', () => {
    expect([
      keyAlteration(1, 'F'),
      keyAlteration(1, 'C'),
      keyAlteration(-1, 'B'),
      keyAlteration(-2, 'E'),
    ]).toEqual([1, 0, -1, -1]);
  });

  it('stand where a pitch leaves the key, once a bar', () => {
    const score = study('one-thread');
    const fifth = score.bars[4]!;
    expect([...accidentalsOf(score, fifth).values()]).toEqual([1, 1]);
    const glass = study('stairs-of-glass');
    // One sharp: F♯ needs no sign, D♯ does.
    expect([...accidentalsOf(glass, glass.bars[8]!).values()]).toEqual([1]);
  });
});

describe('widths', () => {
  it('grow with the moments of a bar and with its signs, and never fall below the narrowest', () => {
    const dance = study('low-meadow-dance');
    const [first, , , fourth] = dance.bars;
    expect(naturalWidth(dance, dance.bars[7]!)).toBeGreaterThanOrEqual(90);
    expect(naturalWidth(dance, first!)).toBeGreaterThan(naturalWidth(dance, fourth!));
    const inAnotherKey = { ...first!, index: 4, key: 4, keyChange: true, meterChange: true };
    expect(naturalWidth(dance, inAnotherKey)).toBeGreaterThan(
      naturalWidth(dance, { ...first!, index: 4 }) + 50,
    );
    const tremolo = study('moth-hour');
    expect(naturalWidth(tremolo, tremolo.bars[0]!)).toBeGreaterThan(2 * naturalWidth(dance, first!));
  });
});

describe('line breaks', () => {
  it('fill every system to the page and lose no bar', () => {
    const natural = Array.from({ length: 33 }, (_, index) => 120 + (index % 5) * 30);
    const systems = breakSystems(natural, 900, 60, 90);
    expect(systems.flatMap((system) => system.widths)).toHaveLength(33);
    systems
      .slice(0, -1)
      .forEach((system) => expect(system.widths.reduce((sum, width) => sum + width, 0)).toBeCloseTo(900, 6));
    expect(systems.map((system) => system.first)).toEqual(
      systems.map((_, index) => systems.slice(0, index).reduce((sum, each) => sum + each.widths.length, 0)),
    );
  });

  it('give a bar wider than the page a system of its own', () => {
    const systems = breakSystems([300, 2000, 300], 900, 60, 90);
    expect(systems.map((system) => system.first)).toEqual([0, 1, 2]);
  });
});
