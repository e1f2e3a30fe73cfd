import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
// An independent reader of Standard MIDI Files: not the package that writes them.
import parser from 'midi-parser-js';
import { describe, expect, it } from 'vitest';
import { planPiece } from '../plan/plan.ts';
import { soundOf } from '../sound/sound-of.ts';
import { begins } from '../sound/sound-event.ts';
import { exampleScore } from '../testing/planning.ts';
import { readMusicXml } from './musicxml/read.ts';
import { writeMidi } from './midi.ts';

interface MidiEvent {
  readonly deltaTime: number;
  readonly type: number;
  readonly metaType?: number;
  readonly data?: number | readonly number[];
}
interface Parsed {
  readonly timeDivision: number;
  readonly track: readonly { readonly event: readonly MidiEvent[] }[];
}

/** Notes of a file in seconds, with the tempo map followed by hand. */
const notesOf = (bytes: Uint8Array) => {
  const parsed = parser.parse(Buffer.from(bytes).toString('base64')) as Parsed;
  const withTicks = parsed.track.map(({ event }) => {
    let tick = 0;
    return event.map((each) => ({ ...each, tick: (tick += each.deltaTime) }));
  });
  const tempi = withTicks
    .flat()
    .filter(({ type, metaType }) => type === 255 && metaType === 81)
    .map(({ tick, data }) => ({ tick, microseconds: data as number }))
    .sort((a, b) => a.tick - b.tick);
  const seconds = (tick: number): number =>
    tempi.reduce((sum, { tick: from, microseconds }, index) => {
      const to = Math.min(tick, tempi[index + 1]?.tick ?? Infinity);
      return to > from ? sum + ((to - from) / parsed.timeDivision) * (microseconds / 1e6) : sum;
    }, 0);
  return withTicks.map((events) => {
    const open = new Map<number, number[]>();
    const notes: { midi: number; from: number; until: number }[] = [];
    for (const { type, data, tick } of events) {
      if (type !== 9 && type !== 8) continue;
      const [midi, velocity] = data as [number, number];
      if (type === 9 && velocity > 0) open.set(midi, [...(open.get(midi) ?? []), tick]);
      else {
        const from = open.get(midi)!.shift()!;
        notes.push({ midi, from: seconds(from), until: seconds(tick) });
      }
    }
    return notes.sort((a, b) => a.from - b.from || a.midi - b.midi);
  });
};

describe('a MIDI file', () => {
  it.each(['low-meadow-dance', 'paper-kites', 'two-bells'])(
    'has the notes and times of what is heard: %s',
    (name) => {
      const path = fileURLToPath(new URL(`../../../demo/studies/${name}.musicxml`, import.meta.url));
      const read = readMusicXml(readFileSync(path, 'utf8'));
      if (!read.ok) throw new Error(read.error.code);
      const plan = planPiece(read.value.score);
      const heard = soundOf(plan).events.filter(begins);
      const tracks = notesOf(writeMidi(plan)).filter((track) => track.length > 0);
      expect(tracks).toHaveLength(new Set(heard.map(({ voice }) => voice)).size);
      const notes = tracks.flat().sort((a, b) => a.from - b.from || a.midi - b.midi);
      const expected = heard.toSorted((a, b) => a.ms - b.ms || a.midi - b.midi);
      expect(notes.map(({ midi }) => midi)).toEqual(expected.map(({ midi }) => midi));
      notes.forEach(({ from }, index) => expect(from).toBeCloseTo(expected[index]!.ms / 1000, 2));
    },
  );

  it('plays repeats out, or each bar once, with the meter', () => {
    const plan = planPiece(
      exampleScore({ voices: ['E4/4 F4/4 E4/2 | G4/1'], tempo: 60, repeats: [{ from: 1, to: 1 }] }),
    );
    expect(notesOf(writeMidi(plan)).flat()).toHaveLength(7);
    const once = notesOf(writeMidi(plan, { once: true, asWritten: true })).flat();
    expect(once.map(({ from, until }) => [from, until].map((each) => Math.round(each * 100) / 100))).toEqual([
      [0, 1],
      [1, 2],
      [2, 4],
      [4, 8],
    ]);
  });
});
