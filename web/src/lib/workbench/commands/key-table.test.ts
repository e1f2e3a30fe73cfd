import { describe, expect, it } from 'vitest';
import { TRANSPORT_KEYS } from '../../sound/transport-keys.ts';
import { KEY_BINDINGS } from './key-table.ts';

/** Every press of a key with and without Shift, and with Ctrl. */
const PRESSES = [
  ...[...'abcdefghijklmnopqrstuvwxyz'].flatMap((letter) => [
    { key: letter, code: `Key${letter.toUpperCase()}`, shiftKey: false },
    { key: letter.toUpperCase(), code: `Key${letter.toUpperCase()}`, shiftKey: true },
  ]),
  ...[...'0123456789'].flatMap((digit) => [
    { key: digit, code: `Digit${digit}`, shiftKey: false },
    { key: '!', code: `Digit${digit}`, shiftKey: true },
  ]),
  ...[
    'ArrowLeft',
    'ArrowRight',
    'ArrowUp',
    'ArrowDown',
    'PageUp',
    'PageDown',
    'Enter',
    'Escape',
    'Delete',
  ].flatMap((key) => [
    { key, code: key, shiftKey: false },
    { key, code: key, shiftKey: true },
  ]),
  { key: '+', code: 'BracketRight', shiftKey: false },
  { key: '-', code: 'Slash', shiftKey: false },
].flatMap((press) => [
  { ...press, ctrlKey: false, metaKey: false, altKey: false },
  { ...press, ctrlKey: true, metaKey: false, altKey: false },
]) as unknown as readonly KeyboardEvent[];

/** What browsers do with Ctrl of their own accord; those of undo and redo alone are ours. */
const OURS_WITH_CONTROL = new Set(['z', 'Z', 'y']);

describe('the keys', () => {
  it('mean one thing each, and leave the browser its own', () => {
    for (const press of PRESSES) {
      const found = KEY_BINDINGS.filter(({ matches }) => matches(press));
      expect(found.length, `${press.key} ${press.code}`).toBeLessThanOrEqual(1);
      if (press.ctrlKey && found.length > 0) expect(OURS_WITH_CONTROL).toContain(press.key);
    }
  });

  it('are all told as they are bound: every deed with keys can be pressed', () => {
    for (const { keys, matches, does } of KEY_BINDINGS) {
      if (keys === '') continue;
      expect(PRESSES.some(matches), `${keys}: ${does}`).toBe(true);
    }
    const told = KEY_BINDINGS.filter(({ keys }) => keys !== '').map(({ keys }) => keys);
    expect(new Set(told).size).toBe(told.length);
  });

  it('do not meet those of the transport, nor of the list and the help', () => {
    const taken = [...TRANSPORT_KEYS.map(({ keys }) => keys.toLowerCase()), 'k', '?', 'space'];
    for (const { keys } of KEY_BINDINGS) expect(taken).not.toContain(keys.toLowerCase());
  });
});
