import { problemSaid } from '../../testing/words.ts';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { exampleXml } from '../../testing/notation.ts';
import { readMusicXml } from '../musicxml/read.ts';
import { writeMusicXml } from '../musicxml/write.ts';
import { readSourceFile } from './source-file.ts';

const declared = (encoding: string, title: string): string =>
  exampleXml({ title, voices: ['E4/1'] }).replace('UTF-8', encoding);
const titleOf = (bytes: Uint8Array): string => {
  const text = readSourceFile(bytes);
  if (!text.ok) return text.error.code;
  const read = readMusicXml(text.value);
  return read.ok ? read.value.score.title : read.error.code;
};
const wide = (text: string, littleEndian: boolean, mark: boolean): Uint8Array => {
  const all = (mark ? '\ufeff' : '') + text;
  const bytes = new Uint8Array(all.length * 2);
  const view = new DataView(bytes.buffer);
  for (let at = 0; at < all.length; at += 1) view.setUint16(at * 2, all.charCodeAt(at), littleEndian);
  return bytes;
};
/** One byte a letter, with the bytes that differ from Latin-1 given by hand. */
const narrow = (text: string, letters: Readonly<Record<string, number>> = {}): Uint8Array =>
  Uint8Array.from(text, (letter) => letters[letter] ?? letter.charCodeAt(0));

describe('encodings', () => {
  // Byte values: Unicode Consortium, MAPPINGS/VENDORS/MICSFT/WINDOWS/CP1252.TXT, ISO8859/8859-15.TXT and 8859-2.TXT (from memory).
  it.each([
    ['windows-1252', 'Étude – “œ”', { œ: 0x9c, '–': 0x96, '“': 0x93, '”': 0x94 }],
    ['ISO-8859-15', 'Cœur 5 €', { œ: 0xbd, '€': 0xa4 }],
    ['ISO-8859-2', 'Łąka', { Ł: 0xa3, ą: 0xb1 }],
    ['ISO-8859-1', 'Été', {}],
  ])('%s is decoded as it is declared', (encoding, title, letters) => {
    expect(titleOf(narrow(declared(encoding, title), letters))).toBe(title);
  });

  it('UTF-16 is decoded with and without a mark, and UTF-8 with one', () => {
    for (const littleEndian of [true, false])
      for (const mark of [true, false])
        expect(titleOf(wide(declared('UTF-16', 'Łąka 𝄞'), littleEndian, mark))).toBe('Łąka 𝄞');
    expect(titleOf(strToU8(`\ufeff${declared('UTF-8', 'Łąka')}`))).toBe('Łąka');
    // Converted to UTF-8 on the way, with the old declaration.
    expect(titleOf(strToU8(declared('UTF-16', 'Łąka')))).toBe('Łąka');
  });

  it('what cannot be decoded is refused with its line and a remedy, never filled', () => {
    const broken = narrow(declared('UTF-8', 'x').replace('Anon.', 'An\u00e9n'));
    const text = readSourceFile(broken);
    expect(text).toMatchObject({ ok: false, error: { code: 'undecodable' } });
    expect(!text.ok && problemSaid(text.error)).toMatch(/not UTF-8.*line \d+.*Export the piece again/);
    expect(titleOf(strToU8(declared('x-clef-7', 'x')))).toBe('undecodable');
    expect(titleOf(wide('<a\ud800/>', true, true))).toBe('undecodable');
  });

  it('what is exported says that it is UTF-8', () => {
    const text = readSourceFile(narrow(declared('windows-1252', 'Été')));
    const written = text.ok ? writeMusicXml(text.value, new Map()) : text;
    expect(written.ok && written.value).toContain('encoding="UTF-8"');
    expect(written.ok && titleOf(strToU8(written.value))).toBe('Été');
  });
});

describe('archives', () => {
  const piece = strToU8(exampleXml({ title: 'Packed', voices: ['E4/1'] }));
  const container = (...paths: string[]) =>
    strToU8(
      `<container><rootfiles>${paths.map((path) => `<rootfile full-path="${path}"/>`).join('')}</rootfiles></container>`,
    );
  const CONTAINER = 'META-INF/container.xml';

  it.each([
    ['named with dots', { [CONTAINER]: container('./score/a.xml'), 'score/a.xml': piece }],
    ['named with escapes', { [CONTAINER]: container('my%20piece.xml'), 'my piece.xml': piece }],
    ['named in other letters', { 'meta-inf/Container.XML': container('Score.XML'), 'score.xml': piece }],
    ['with a name of its own kind', { [CONTAINER]: container('piece.score'), 'piece.score': piece }],
    ['with no ending', { [CONTAINER]: container('piece'), piece }],
    [
      'named second, after a preview',
      { [CONTAINER]: container('a.html', 'b.xml'), 'a.html': strToU8('<html/>'), 'b.xml': piece },
    ],
    ['behind a wrong container', { [CONTAINER]: container('gone.xml'), 'b.xml': piece }],
    ['behind a broken container', { [CONTAINER]: strToU8('<container'), 'b.xml': piece }],
    ['without a container', { 'other.xml': strToU8('<x/>'), 'b.xml': piece }],
    ['named like a part of every object', { [CONTAINER]: container('constructor'), 'b.xml': piece }],
    ['named like the root of all objects', { [CONTAINER]: container('__proto__'), 'b.xml': piece }],
    ['before its container', { 'b.xml': piece, [CONTAINER]: container('b.xml') }],
    ['with names that lead outside', { [CONTAINER]: container('../../etc/x.xml'), '../../etc/x.xml': piece }],
  ])('the score is found: %s', (_, files) => {
    expect(titleOf(zipSync(files as Record<string, Uint8Array>))).toBe('Packed');
  });

  it('stored without compression, and cut off', () => {
    expect(titleOf(zipSync({ 'a.xml': piece }, { level: 0 }))).toBe('Packed');
    const whole = zipSync({ 'a.xml': piece });
    for (const length of [10, 60, 300]) expect(titleOf(whole.subarray(0, length))).toBe('damaged-archive');
  });

  it('many entries are counted together while they grow, and reading stops early', () => {
    const block = zipSync({ 'a.xml': new Uint8Array(4 * 1024 * 1024) }, { level: 1 });
    // The same entry twelve times over, without a directory: what is behind the limit is never reached.
    const entry = block.subarray(0, block.indexOf(0x50, 30));
    const bomb = new Uint8Array(12 * entry.length + 1000);
    for (let at = 0; at < 12; at += 1) bomb.set(entry, at * entry.length);
    bomb.fill(0xff, 12 * entry.length);
    expect(titleOf(bomb)).toBe('too-large');
  });

  it('an entry that lies about its size is counted all the same', () => {
    const packed = zipSync({ 'a.xml': new Uint8Array(40 * 1024 * 1024) });
    const view = new DataView(packed.buffer, packed.byteOffset);
    view.setUint32(22, 100, true);
    expect(titleOf(packed)).toBe('too-large');
  });
});
