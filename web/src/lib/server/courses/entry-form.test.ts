import { describe, expect, it } from 'vitest';
import { sentEntrySchema } from '../../practice/sent-entries.ts';
import { entryIn } from './entry-form.ts';

const fields = (change: Readonly<Record<string, string>> = {}) =>
  new URLSearchParams({
    id: '00000000-0000-4000-8000-000000000001',
    corrects: '',
    work: '{"kind":"warm-up"}',
    day: '2026-11-26',
    minutes: '',
    tempo: '',
    outcome: '',
    felt: '',
    pain: '',
    remark: ' slowly ',
    ...change,
  });
const read = (change: Readonly<Record<string, string>> = {}) =>
  sentEntrySchema.safeParse(entryIn(fields(change)));

describe('an entry that a form sends', () => {
  it('says nothing where a field is empty', () => {
    expect(read().data).toEqual({
      id: '00000000-0000-4000-8000-000000000001',
      day: '2026-11-26',
      work: { kind: 'warm-up' },
      minutes: null,
      tempo: null,
      outcome: null,
      felt: null,
      pain: null,
      remark: 'slowly',
      corrects: null,
      withdrawn: false,
    });
  });

  it('says what its fields say', () => {
    const corrects = '00000000-0000-4000-8000-000000000002';
    expect(
      read({ minutes: '7', tempo: '66.5', outcome: 'clean', corrects, withdrawn: 'yes' }).data,
    ).toMatchObject({
      minutes: 7,
      tempo: 66.5,
      outcome: 'clean',
      corrects,
      withdrawn: true,
    });
  });

  it.each<Readonly<Record<string, string>>>([
    { minutes: 'seven' },
    { minutes: '1e9' },
    { tempo: 'fast' },
    { work: 'nothing' },
    { work: '{"kind":"spot"}' },
    { day: '' },
    { pain: 'everywhere' },
    { withdrawn: 'yes' },
  ])('is refused as it is written in %o', (change) => {
    expect(read(change).success).toBe(false);
  });
});
