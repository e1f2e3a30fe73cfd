import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { expectSource, forgetExpected, sourceFor } from './source.ts';

const asked = vi.fn(() => Promise.resolve(new Response('<score/>')));

beforeEach(() => {
  forgetExpected();
  asked.mockClear();
  vi.stubGlobal('fetch', asked);
});
afterEach(() => {
  vi.unstubAllGlobals();
});

describe('the file of a piece that is gone to', () => {
  it('is asked for once, beside the data of its page', async () => {
    expectSource('one');
    const source = await sourceFor('one', asked as typeof fetch);
    expect(new TextDecoder().decode(source)).toBe('<score/>');
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('is not asked for again where it came while its link was pointed at', () => {
    void sourceFor('one', asked as typeof fetch);
    expectSource('one');
    expect(asked).toHaveBeenCalledTimes(1);
    expectSource('other');
    expect(asked).toHaveBeenCalledTimes(2);
  });

  it('is asked for anew when the page is loaded again, or opened again', () => {
    expectSource('one');
    void sourceFor('one', asked as typeof fetch);
    void sourceFor('one', asked as typeof fetch);
    expect(asked).toHaveBeenCalledTimes(2);
    forgetExpected();
    expectSource('one');
    expect(asked).toHaveBeenCalledTimes(3);
  });
});
