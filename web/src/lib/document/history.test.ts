import { expect, test } from 'vitest';
import { chooseEdit, EMPTY_FINGERING, type NoteId } from '@oculon/core';
import { History, type Deed } from './history.svelte.ts';

const deed = (finger: 1 | 2 | 3 | 4): Deed => [chooseEdit(EMPTY_FINGERING, 'note' as NoteId, { finger })];

test('deeds come back in the reverse order and are done again in theirs', () => {
  const history = new History();
  const [first, second] = [deed(1), deed(2)];
  expect([history.canUndo, history.canRedo]).toEqual([false, false]);
  history.add(first);
  history.add(second);
  expect(history.takeBack()).toBe(second);
  expect(history.takeBack()).toBe(first);
  expect(history.takeBack()).toBeUndefined();
  expect([history.canUndo, history.canRedo]).toEqual([false, true]);
  expect(history.doAgain()).toBe(first);
  expect(history.doAgain()).toBe(second);
  expect(history.doAgain()).toBeUndefined();
});

test('a new deed ends what could be done again, and clearing ends everything', () => {
  const history = new History();
  history.add(deed(1));
  history.takeBack();
  history.add(deed(3));
  expect(history.canRedo).toBe(false);
  history.clear();
  expect([history.canUndo, history.canRedo]).toEqual([false, false]);
});
