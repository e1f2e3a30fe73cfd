import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type * as Source from './source.ts';

/** What the server has: a file and its digest by piece. */
let files: Record<string, string>;
let answers = 0;
const asked = vi.fn((address: string) => {
  answers += 1;
  const piece = address.split('/')[3]!;
  const content = files[piece];
  return Promise.resolve(
    content === undefined
      ? new Response('', { status: 404 })
      : new Response(content, { headers: { etag: `"digest of ${content}"` } }),
  );
});
const ask = asked as unknown as typeof fetch;

let source: typeof Source;
beforeEach(async () => {
  files = { one: 'first', other: 'second' };
  answers = 0;
  vi.stubGlobal('fetch', asked);
  vi.resetModules();
  source = await import('./source.ts');
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const contentOf = async (wanted: ReturnType<typeof source.sourceFor>): Promise<string | undefined> => {
  const file = await wanted;
  return file && new TextDecoder().decode(file.bytes);
};

describe('the file of a piece that is gone to', () => {
  it('is asked for once, beside the data of its page', async () => {
    source.expectSource('one');
    expect(await contentOf(source.sourceFor('one', 'digest of first', ask))).toBe('first');
    expect(answers).toBe(1);
  });

  it('is not asked for again while it is the same', async () => {
    await source.sourceFor('one', 'digest of first', ask);
    source.expectSource('one');
    expect(await contentOf(source.sourceFor('one', 'digest of first', ask))).toBe('first');
    expect(answers).toBe(1);
    source.expectSource('other');
    expect(await contentOf(source.sourceFor('other', 'digest of second', ask))).toBe('second');
    expect(answers).toBe(2);
  });

  it('is asked for anew when the piece was corrected, also when the old one was expected', async () => {
    await source.sourceFor('one', 'digest of first', ask);
    files.one = 'corrected';
    expect(await contentOf(source.sourceFor('one', 'digest of corrected', ask))).toBe('corrected');

    source.expectSource('other');
    files.other = 'corrected too';
    expect(await contentOf(source.sourceFor('other', 'digest of corrected too', ask))).toBe('corrected too');
  });

  it('is asked for again when it could not be had', async () => {
    delete files.one;
    expect(await contentOf(source.sourceFor('one', 'digest of first', ask))).toBeUndefined();
    files.one = 'first';
    expect(await contentOf(source.sourceFor('one', 'digest of first', ask))).toBe('first');
  });
});
