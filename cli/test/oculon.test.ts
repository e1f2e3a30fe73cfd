import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { JSON_FORMATS } from '@oculon/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

const COMMAND = fileURLToPath(new URL('../bin/oculon.mjs', import.meta.url));
const STUDY = fileURLToPath(new URL('../../demo/studies/low-meadow-dance.musicxml', import.meta.url));

const oculon = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [COMMAND, ...args], { encoding: 'utf8' });
  return { status, stdout, stderr };
};

describe('oculon plan', () => {
  let folder: string;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'oculon-'));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('prints a table a person can read', () => {
    const { status, stdout } = oculon('plan', STUDY);
    expect(status).toBe(0);
    expect(stdout).toMatch(/^Low Meadow Dance: 24 bars, 108 notes, quarter = 104/);
    expect(stdout).toMatch(/^1 +0 +2 +A2 +5 +0 +0 +p$/m);
  });

  it('prints oculon.plan/1 for some bars', () => {
    const { status, stdout } = oculon(
      'plan',
      STUDY,
      '--json',
      '--bars',
      '2-3',
      '--tempo',
      '60',
      '--hand',
      'small',
    );
    expect(status).toBe(0);
    const plan = JSON.parse(stdout) as { schema: string; piece: { tempo: number }; notes: { bar: number }[] };
    expect(plan.schema).toBe('oculon.plan/1');
    expect(plan.piece.tempo).toBe(60);
    expect(new Set(plan.notes.map((note) => note.bar))).toEqual(new Set([2, 3]));
  });

  it('writes a file that, planned again, is locked to what was written', () => {
    const out = join(folder, 'out.musicxml');
    const first = oculon('plan', STUDY, '--json', '--out', out);
    const again = oculon('plan', out, '--json');
    const strip = (text: string) =>
      (JSON.parse(text) as { notes: Record<string, unknown>[] }).notes.map(
        ({ id, string, fret, finger, pluck }) => ({ id, string, fret, finger, pluck }),
      );
    expect(strip(again.stdout)).toEqual(strip(first.stdout));
    expect(
      (JSON.parse(again.stdout) as { notes: { locked: boolean }[] }).notes.every((note) => note.locked),
    ).toBe(true);
    expect(readFileSync(out, 'utf8')).toContain('<technical>');
  });

  it('adds a staff of six lines on request, which is planned as before', () => {
    const out = join(folder, 'six-lines.musicxml');
    expect(oculon('plan', STUDY, '--out', out, '--tablature').status).toBe(0);
    expect(readFileSync(out, 'utf8')).toContain('<sign>TAB</sign>');
    const places = (text: string) =>
      (JSON.parse(text) as { notes: Record<string, unknown>[] }).notes.map(({ id, string, fret }) => ({
        id,
        string,
        fret,
      }));
    const [before, after] = [STUDY, out].map((file) => places(oculon('plan', file, '--json').stdout));
    expect(after).toEqual(before);
  });

  it('ends with 1 and a message when the piece cannot be read or written', () => {
    const broken = join(folder, 'broken.musicxml');
    writeFileSync(broken, 'not a score');
    expect(oculon('plan', broken)).toMatchObject({ status: 1, stdout: '' });
    expect(oculon('plan', broken).stderr).toMatch(/not well-formed XML.*Export the piece again/);
    expect(oculon('plan', join(folder, 'missing.xml'))).toMatchObject({ status: 1 });
    expect(oculon('plan', STUDY, '--out', join(folder, 'no', 'such', 'x.musicxml'))).toMatchObject({
      status: 1,
    });
  });

  it('names the bar of a repair and plans all the same', () => {
    const text = readFileSync(STUDY, 'utf8').replace('<duration>24</duration>', '<duration>48</duration>');
    const file = join(folder, 'full.musicxml');
    writeFileSync(file, text);
    const { status, stderr } = oculon('plan', file);
    expect(status).toBe(0);
    expect(stderr).toMatch(/Bar 1, voice 1, holds/);
  });

  it.each([
    [['plan']],
    [['plan', STUDY, '--bars', '5-2']],
    [['plan', STUDY, '--bars', '900']],
    [['plan', STUDY, '--hand', 'huge']],
    [['plan', STUDY, '--tempo', 'fast']],
    [['plan', STUDY, '--nothing']],
    [['plan', STUDY, STUDY]],
    [['sing']],
    [[]],
  ])('ends with 2 and the usage when the command is wrong: %s', (args) => {
    const { status, stdout, stderr } = oculon(...args);
    expect(status).toBe(2);
    expect(stdout + stderr).toContain('Usage: oculon plan FILE');
  });
});

describe('whatever it is given, the command', () => {
  let folder: string;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'oculon-'));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const xml = readFileSync(STUDY, 'utf8');

  it.each([
    ['a binary file', Uint8Array.from({ length: 4000 }, (_, index) => (index * 7919) % 256)],
    ['a cut file', xml.slice(0, 3000)],
    ['a file of zeros', new Uint8Array(5000)],
    ['text in another encoding', Buffer.from(xml.replace('Low', 'L\u00f6w'), 'latin1')],
    ['an octave that is none', xml.replace(/<octave>\d/, '<octave>1e308')],
    ['nothing', ''],
  ])('ends with 1 and one message, no stack and no code: %s', (_, content) => {
    const file = join(folder, 'x.musicxml');
    writeFileSync(file, content);
    for (const command of ['plan', 'right', 'check']) {
      const { status, stdout, stderr } = oculon(command, file);
      expect(status).toBe(1);
      expect(stdout).toBe('');
      expect(stderr.trim().split('\n')).toHaveLength(1);
      expect(stderr).toMatch(/^oculon: .*(Export|Choose|Correct|Save)/);
    }
  });

  it('reads no more of an endless file than tells that it is too large', () => {
    expect(oculon('plan', '/dev/zero')).toMatchObject({ status: 1, stdout: '' });
    expect(oculon('plan', folder).stderr).toMatch(/is a folder; name a file/);
  });

  it('is told a bar that can be found, also where bars have no number', () => {
    const file = join(folder, 'nameless.musicxml');
    writeFileSync(
      file,
      xml
        .replaceAll(/<measure number="[^"]*"/g, '<measure number=""')
        .replace('<duration>24<', '<duration>48<'),
    );
    const { status, stdout, stderr } = oculon('plan', file);
    expect(status).toBe(0);
    expect(stderr).toMatch(/Bar #1, voice/);
    expect(stdout).not.toMatch(/bar ,/);
  });
});

describe('oculon marks', () => {
  it('prints oculon.marks/1 with fewer marks the plainer the page, each enough for a reader', () => {
    const counts = ['essential', 'working', 'everything'].map((density) => {
      const { status, stdout } = oculon('marks', STUDY, '--json', '--density', density);
      expect(status).toBe(0);
      const marks = JSON.parse(stdout) as { schema: string; notes: { finger: boolean }[]; reads: boolean };
      expect(marks.schema).toBe('oculon.marks/1');
      expect(marks.reads).toBe(true);
      return marks.notes.filter(({ finger }) => finger).length;
    });
    expect(counts[0]).toBeLessThan(counts[1]!);
    expect(counts[1]).toBeLessThan(counts[2]!);
  });

  it('prints a table, and knows its densities', () => {
    expect(oculon('marks', STUDY).stdout).toMatch(/^Low Meadow Dance: \d+ digits, .* on 108 notes$/m);
    const wrong = oculon('marks', STUDY, '--density', 'dense');
    expect(wrong.status).toBe(2);
    expect(wrong.stderr).toMatch(/--density is essential, working, everything, not “dense”/);
  });
});

describe('oculon walk', () => {
  it('walks through some bars in words, in either language', () => {
    const { status, stdout } = oculon('walk', STUDY, '--bars', '10');
    expect(status).toBe(0);
    expect(stdout).toMatch(/^Low Meadow Dance\n\nBar 10\n/);
    expect(stdout).toMatch(/4 on D, ② fret 3: 3 stays on G\./);
    expect(oculon('walk', STUDY, '--bars', '10', '--lang', 'es').stdout).toMatch(
      /4 en Re, ② traste 3: 3 se queda en Sol\./,
    );
  });

  it.each(['brief', 'shapes', 'bars', 'slow'])('prints oculon.walk/1: %s', (depth) => {
    const { status, stdout } = oculon('walk', STUDY, '--json', '--depth', depth);
    expect(status).toBe(0);
    const walk = JSON.parse(stdout) as { schema: string; depth: string; lines: { sentences: unknown[] }[] };
    expect(walk).toMatchObject({ schema: 'oculon.walk/1', depth });
    expect(walk.lines.every(({ sentences }) => sentences.length > 0)).toBe(true);
  });

  it('refuses bars that the piece does not have', () => {
    expect(oculon('walk', STUDY, '--bars', '99').status).toBe(2);
  });
});

describe('oculon sound', () => {
  it('prints oculon.sound/1, and writes a MIDI file beside it', () => {
    const file = join(mkdtempSync(join(tmpdir(), 'oculon-')), 'dance.mid');
    const { status, stdout } = oculon('sound', STUDY, '--json', '--midi', file, '--once');
    expect(status).toBe(0);
    const sound = JSON.parse(stdout) as { schema: string; once: boolean; bars: unknown[]; events: unknown[] };
    expect(sound).toMatchObject({ schema: 'oculon.sound/1', once: true, asWritten: false });
    expect(readFileSync(file).subarray(0, 4).toString('latin1')).toBe('MThd');
  });

  it('says what it needs, and where it cannot write', () => {
    expect(oculon('sound', STUDY).status).toBe(2);
    const refused = oculon('sound', STUDY, '--midi', join(tmpdir(), 'no such folder', 'x.mid'));
    expect(refused.status).toBe(1);
    expect(refused.stderr).toContain('there is no such file or folder');
  });
});

describe('oculon right', () => {
  const TREMOLO = fileURLToPath(new URL('../../demo/studies/moth-hour.musicxml', import.meta.url));

  it('prints figures a person can read', () => {
    const { status, stdout } = oculon('right', STUDY);
    expect(status).toBe(0);
    expect(stdout).toMatch(/^Low Meadow Dance: the right hand at 104 quarters a minute/);
    expect(stdout).toMatch(/awkward crossings/);
  });

  it('prints oculon.right/1, with an order of tremolo when one is asked for', () => {
    const { status, stdout } = oculon('right', TREMOLO, '--json', '--tremolo', 'pima');
    expect(status).toBe(0);
    const right = JSON.parse(stdout) as {
      schema: string;
      strokes: number;
      bars: { strokes: number }[];
      patterns: { order: string; kind: string }[];
    };
    expect(right.schema).toBe('oculon.right/1');
    expect(right.bars.reduce((sum, bar) => sum + bar.strokes, 0)).toBe(right.strokes);
    expect(right.patterns.find(({ kind }) => kind === 'tremolo')?.order).toBe('pima');
  });

  it('refuses an order of tremolo that is none', () => {
    const { status, stderr } = oculon('right', STUDY, '--tremolo', 'pix');
    expect(status).toBe(2);
    expect(stderr).toMatch(/letters p, i, m and a/);
  });
});

describe('oculon check', () => {
  it('remarks on a fingering that no hand can play, with its place', () => {
    const folder = mkdtempSync(join(tmpdir(), 'oculon-check-'));
    const file = join(folder, 'impossible.musicxml');
    // E4 stopped by 4 on ①, where it is the open string.
    const technical =
      '<notations><technical><string>1</string><fingering>4</fingering></technical></notations></note>';
    const xml = readFileSync(STUDY, 'utf8');
    const at = xml.indexOf('<step>E</step>');
    const end = xml.indexOf('</note>', at);
    writeFileSync(file, `${xml.slice(0, end)}${technical}${xml.slice(end + '</note>'.length)}`);
    const { status, stdout } = oculon('check', file);
    expect(status).toBe(0);
    expect(stdout).toMatch(/1 of 108 notes are fingered in the file/);
    const json = JSON.parse(oculon('check', file, '--json').stdout) as {
      schema: string;
      findings: { code: string; bar: number }[];
    };
    expect(json.schema).toBe('oculon.check/1');
    expect(json.findings.every(({ bar }) => bar >= 1 && bar <= 24)).toBe(true);
    rmSync(folder, { recursive: true, force: true });
  });
});

describe('oculon drill', () => {
  it('lists every kind with its parameters, ranges and what they are at first', () => {
    const { status, stdout } = oculon('drill', 'list', '--json');
    expect(status).toBe(0);
    const listed = JSON_FORMATS.drills.parse(JSON.parse(stdout));
    expect(listed.drills.length).toBeGreaterThanOrEqual(16);
    for (const { parameters } of listed.drills)
      for (const parameter of parameters)
        if (parameter.kind === 'choice') expect(parameter.values).toContain(parameter.initial);
    expect(oculon('drill', 'list').stdout).toMatch(/^ {2}position +Position: 1–12 \(5\)$/m);
  });

  it('makes a drill as it is asked for, in a language, and writes it with its fingering', () => {
    const folder = mkdtempSync(join(tmpdir(), 'oculon-drill-'));
    const out = join(folder, 'scale.musicxml');
    const { status, stdout } = oculon(
      'drill',
      'scale-in-position',
      'tonic=Db',
      'scale=natural-minor',
      'position=4',
      '--json',
      '--lang',
      'es',
      '--out',
      out,
    );
    expect(status).toBe(0);
    const made = JSON_FORMATS.drill.parse(JSON.parse(stdout));
    expect(made.title).toBe('Do♯ menor natural en posición IV');
    expect(made.parameters).toMatchObject({ tonic: 'Db', position: 4, octaves: 2 });
    // What was written, planned again, is that plan.
    const again = JSON.parse(oculon('plan', out, '--json').stdout) as typeof made.plan;
    expect(again.notes.map(({ string, finger }) => [string, finger])).toEqual(
      made.plan.notes.map(({ string, finger }) => [string, finger]),
    );
    expect(again.notes.every(({ locked }) => locked)).toBe(true);
    rmSync(folder, { recursive: true, force: true });
  });

  it('says what is wrong with what was asked for', () => {
    expect(oculon('drill').status).toBe(2);
    expect(oculon('drill', 'scale', 'tonic').status).toBe(2);
    expect(oculon('drill', 'scale', 'tonic=C', 'tonic=D').status).toBe(2);
    const unknown = oculon('drill', 'scale', 'tonic=H');
    expect(unknown).toMatchObject({ status: 2, stdout: '' });
    expect(unknown.stderr).toMatch(/“tonic” cannot be “H”. It may be: C, Db/);
    expect(oculon('drill', 'skale').stderr).toMatch(/There is no drill “skale”/);
  });
});

describe('oculon practice', () => {
  const OTHER = fileURLToPath(new URL('../../demo/studies/one-thread.musicxml', import.meta.url));
  const ASKED = ['--minutes', '30', '--days', '5', '--from', '2026-11-30', '--until', '2026-12-20'];

  it('prints oculon.practice/1: spots, sessions of the minutes there are, and when each piece is ready', () => {
    const { status, stdout } = oculon('practice', STUDY, OTHER, ...ASKED, '--json');
    expect(status).toBe(0);
    const plan = JSON_FORMATS.practice.parse(JSON.parse(stdout));
    expect(plan.pieces.map(({ title }) => title)).toEqual(['Low Meadow Dance', 'One Thread']);
    expect(plan.days).toHaveLength(15);
    for (const { parts } of plan.days) expect(parts.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(30);
    const met = new Set(
      plan.days.flatMap(({ parts }) =>
        parts.flatMap((part) => ('spot' in part ? [`${part.piece} ${part.spot}`] : [])),
      ),
    );
    expect(met.size).toBe(plan.pieces.reduce((sum, { spots }) => sum + spots.length, 0));
    expect(plan.goals.every(({ ready }) => ready !== null)).toBe(true);
  });

  it('says it in words, in both languages', () => {
    expect(oculon('practice', STUDY, ...ASKED).stdout).toMatch(
      /^Hard spots \(1\):\n {2}Low Meadow Dance, bars 15–17/,
    );
    expect(oculon('practice', STUDY, ...ASKED, '--lang', 'es').stdout).toMatch(/5 min {2}calentamiento/);
  });

  it('says what is wrong with what was asked for', () => {
    expect(oculon('practice', STUDY).stderr).toMatch(/practice needs --until DATE/);
    expect(oculon('practice', ...ASKED).stderr).toMatch(/name the files/);
    const refused = oculon('practice', STUDY, '--from', '2026-11-30', '--until', '2026-02-30');
    expect(refused).toMatchObject({ status: 2, stdout: '' });
    expect(refused.stderr).toMatch(/--until is a date such as 2027-01-31, not “2026-02-30”/);
    expect(oculon('practice', STUDY, '--from', '2026-12-30', '--until', '2026-12-01').status).toBe(2);
    expect(oculon('practice', STUDY, ...ASKED, '--minutes', '2').status).toBe(2);
  });
});
