import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { parsePitch } from '../../music/pitch.ts';
import { buildScore } from '../../score/draft/build-score.ts';
import type { BarDraft, EventDraft, PieceDraft } from '../../score/draft/draft.ts';
import type { Score } from '../../score/score.ts';
import { schemaComplaints } from '../../testing/schema.ts';
import { readMusicXml } from './read.ts';
import { writeNewMusicXml } from './write-new.ts';

const readBack = (score: Score): Score => {
  const read = readMusicXml(writeNewMusicXml(score));
  if (!read.ok) throw new Error(read.error.code);
  return read.value.score;
};

const pitch = fc
  .constantFrom('E2', 'A2', 'C3', 'F#3', 'Bb3', 'D4', 'G4', 'C5')
  .map((name) => parsePitch(name)!);
const plain = fc.constantFrom<EventDraft[]>(
  [{ pitches: [], type: 'whole' }],
  [
    { pitches: [], type: 'half', dots: 1 },
    { pitches: [], type: 'quarter' },
  ],
  [
    { pitches: [], type: 'quarter' },
    { pitches: [], type: 'eighth', ratio: { actual: 3, normal: 2 }, tuplet: 'start' },
    { pitches: [], type: 'eighth', ratio: { actual: 3, normal: 2 } },
    { pitches: [], type: 'eighth', ratio: { actual: 3, normal: 2 }, tuplet: 'stop' },
    { pitches: [], type: '16th' },
    { pitches: [], type: 'eighth', dots: 1 },
    { pitches: [], type: 'quarter' },
  ],
);
/** A bar's rhythm with pitches on it, or rests. */
const voice = plain.chain((events) =>
  fc
    .array(fc.uniqueArray(pitch, { maxLength: 3, selector: ({ step, octave }) => `${step}${octave}` }), {
      minLength: events.length,
      maxLength: events.length,
    })
    .chain((pitches) =>
      fc.tuple(fc.constant(pitches), fc.nat(events.length - 1), fc.boolean()).map(([own, slurAt, slurs]) =>
        events.map((event, index): EventDraft => {
          const made = { ...event, pitches: own[index]! };
          const isSlurred = slurs && index >= slurAt && index <= slurAt + 1 && slurAt + 1 < events.length;
          const bothSingle = own[slurAt]?.length === 1 && own[slurAt + 1]?.length === 1;
          return isSlurred && bothSingle ? { ...made, slur: index === slurAt ? 'start' : 'stop' } : made;
        }),
      ),
    ),
);
const bar = fc.record(
  {
    voices: fc.array(voice, { minLength: 2, maxLength: 2 }),
    key: fc.integer({ min: -4, max: 4 }),
    repeatStart: fc.boolean(),
    repeatEnd: fc.constantFrom(2, 3),
    navigation: fc.constantFrom<NonNullable<BarDraft['navigation']>>(
      ['segno'],
      ['da-capo'],
      ['to-coda'],
      ['fine'],
    ),
    words: fc.constantFrom('dolce', 'a < b & c'),
    dynamics: fc.constantFrom('p', 'mf'),
    tempo: fc.integer({ min: 40, max: 160 }),
  },
  { requiredKeys: ['voices'] },
);
const draft: fc.Arbitrary<PieceDraft> = fc
  .array(bar, { minLength: 1, maxLength: 4 })
  .map((bars) => ({ title: 'Made “up”', composer: 'Nobody & Co', bars }));
const hasNotes = ({ bars }: PieceDraft): boolean =>
  bars.some(({ voices }) => voices.some((events) => events.some(({ pitches }) => pitches.length > 0)));

describe('a score written as a new document', () => {
  it('is read back as it was', () => {
    fc.assert(
      fc.property(draft.filter(hasNotes), (made) => {
        const score = buildScore(made);
        expect(readBack(score)).toEqual(score);
      }),
      { numRuns: 60 },
    );
  });

  it('keeps ties, grace notes, stems, fermatas, endings and what is fingered', () => {
    const e4 = parsePitch('E4')!;
    const f4 = parsePitch('F4')!;
    const score = buildScore({
      title: 'Signs',
      bars: [
        {
          pickup: true,
          meter: { beats: 3, beatType: 4 },
          voices: [[{ pitches: [e4], type: 'quarter', tiedOn: true, stem: 'up' }]],
        },
        {
          ending: { numbers: '1', starts: true, stops: true },
          repeatEnd: 2,
          voices: [
            [
              { pitches: [e4], type: 'half', fermata: true },
              { pitches: [f4], type: 'eighth', grace: true },
              {
                pitches: [e4],
                type: 'quarter',
                fingering: [{ finger: 4, string: 2, pluck: 'm' }],
                articulations: ['staccato'],
                letRing: true,
              },
            ],
          ],
        },
        {
          ending: { numbers: '2', starts: true, stops: true },
          barline: 'final',
          voices: [[{ pitches: [f4], type: 'half', dots: 1 }]],
        },
      ],
      capo: 2,
    });
    expect(readBack(score)).toEqual(score);
  });

  const studies = join(import.meta.dirname, '../../../../demo/studies');
  it.each(readdirSync(studies))('the study %s goes out and in and stays the same music', (file) => {
    const read = readMusicXml(readFileSync(join(studies, file), 'utf8'));
    if (!read.ok) throw new Error(read.error.code);
    const { score } = read.value;
    const { directions: _, positionsWritten: _p, ...music } = score;
    const { directions: _d, positionsWritten: _w, ...again } = readBack(score);
    expect(again).toEqual(music);
  });

  // Published source: the MusicXML 3.0 schema (W3C Music Notation Community Group), whose elements are all that is written.
  it('is valid by the schema', async () => {
    const score = buildScore({
      title: 'Valid',
      bars: [
        {
          repeatStart: true,
          tempo: 72,
          words: 'sweet',
          dynamics: 'p',
          voices: [
            [
              { pitches: [parsePitch('C4')!, parsePitch('E4')!], type: 'half', fermata: true, stem: 'up' },
              { pitches: [parsePitch('C#4')!], type: 'half', articulations: ['accent'] },
            ],
          ],
        },
        {
          repeatEnd: 3,
          navigation: ['da-capo'],
          barline: 'final',
          voices: [[{ pitches: [], type: 'whole' }]],
        },
      ],
    });
    expect(await schemaComplaints(writeNewMusicXml(score))).toEqual([]);
  });
});
