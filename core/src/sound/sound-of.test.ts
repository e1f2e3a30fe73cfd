import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readMusicXml } from '../formats/musicxml/read.ts';
import { planPiece, type Plan } from '../plan/plan.ts';
import { decide, exampleScore, inBars } from '../testing/planning.ts';
import { balanced, PLAIN_BALANCE } from './balance.ts';
import { begins, type SoundEvent, type SoundPlan } from './sound-event.ts';
import { soundOf } from './sound-of.ts';

const STUDIES = fileURLToPath(new URL('../../../demo/studies/', import.meta.url));
const studies = readdirSync(STUDIES).map((name) => {
  const read = readMusicXml(readFileSync(`${STUDIES}${name}`, 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  return [name, planPiece(read.value.score)] as const;
});

const LOW = fc.constantFrom('E2', 'F2', 'G2', 'A2', 'B2', 'C3', 'D3');
const HIGH = fc.constantFrom('G3', 'A3', 'C4', 'D4', 'E4', 'F#4', 'G4', 'A4', 'C5');
const pieces = fc
  .tuple(
    fc.array(LOW, { minLength: 4, maxLength: 4 }),
    fc.array(HIGH, { minLength: 8, maxLength: 8 }),
    fc.boolean(),
  )
  .map(([low, high, repeats]) =>
    planPiece(
      exampleScore({
        voices: [inBars(high, 4, 4), inBars(low, 2, 2)],
        tempo: 90,
        ...(repeats && { repeats: [{ from: 1, to: 2 }] }),
      }),
    ),
  );

/** Sounding intervals by string, from the events alone, as an instrument with one voice a string would have them. */
const intervals = ({ events }: SoundPlan) => {
  const open = new Map<number, SoundEvent>();
  const done: { string: number; from: number; until: number; sound: number }[] = [];
  const end = (string: number, ms: number) => {
    const begun = open.get(string);
    if (begun) done.push({ string, from: begun.ms, until: ms, sound: begun.sound });
    open.delete(string);
  };
  for (const event of events) {
    if (event.beside) continue;
    end(event.string, event.ms);
    if (begins(event)) open.set(event.string, event);
  }
  for (const string of [...open.keys()]) end(string, Infinity);
  return done;
};

const holds = (plan: Plan): void => {
  const sound = soundOf(plan);
  expect(sound.events.map(({ ms }) => ms)).toEqual(
    sound.events.map(({ ms }) => ms).toSorted((a, b) => a - b),
  );
  // Every struck note sounds, for some time.
  const played = intervals(sound);
  const struck = new Set(played.map((each) => each.sound));
  const twins = new Set<string>();
  for (const { index, onset } of plan.left.sounds) {
    const choice = plan.left.choices[index];
    if (!choice) continue;
    // Two voices on one string at one moment are one stroke.
    const key = `${onset} ${choice.string} ${choice.fret}`;
    if (!struck.has(index))
      expect(
        twins.has(key) ||
          [...struck].some(
            (other) =>
              plan.left.sounds[other]!.onset === onset && plan.left.choices[other]?.string === choice.string,
          ),
      ).toBe(true);
    twins.add(key);
  }
  for (const { from, until } of played) expect(until).toBeGreaterThan(from);
  // Nothing ends that is not sounding.
  const sounding = new Set<number>();
  for (const event of sound.events) {
    if (begins(event)) sounding.add(event.string);
    else {
      expect(sounding.has(event.string), JSON.stringify(event)).toBe(true);
      sounding.delete(event.string);
    }
  }
};

describe('what is heard of a plan', () => {
  it.each(studies)('has one note at a time on a string, and every struck note: %s', (_, plan) => holds(plan));

  it('has one note at a time on a string, whatever is played', () => {
    fc.assert(fc.property(pieces, holds), { numRuns: 60 });
  }, 60_000);

  it.each(studies)('as written lasts as long as it is written: %s', (_, plan) => {
    const { events } = soundOf(plan, { asWritten: true, once: true });
    const { left, score, performance } = plan;
    const ends = new Map(events.flatMap((event) => (begins(event) ? [] : [[event.sound, event.ms]])));
    const hasFermata = score.bars.some(({ voices }) =>
      voices.some((voice) => voice.events.some(({ fermata }) => fermata)),
    );
    for (const event of events) {
      if (!begins(event)) continue;
      const { onset, end } = left.sounds[event.sound]!;
      const length = 1000 * (performance.clock.seconds(end) - performance.clock.seconds(onset));
      if (!hasFermata) expect(ends.get(event.sound)! - event.ms).toBeCloseTo(length, 1);
    }
  });

  it('rings on an open string until it is damped or played again, and no longer than a finger lies', () => {
    const score = exampleScore({ voices: ['-/1 | -/1', 'E2/2 A2/2 | F2/2 E2/2'], tempo: 60 });
    const { events } = soundOf(planPiece(score));
    const of = (index: number) => events.filter(({ sound }) => sound === index);
    // E2 would ring on into A2: the thumb stops it there.
    expect(of(0)).toMatchObject([
      { kind: 'pluck', ms: 0 },
      { kind: 'damp', ms: 2000 },
    ]);
    // F2 is stopped, and its string is played again.
    expect(of(2)).toMatchObject([{ kind: 'pluck', fret: 1, ms: 4000 }]);
    expect(of(3)).toMatchObject([{ kind: 'pluck', fret: 0, ms: 6000 }]);
  });

  it('plays repeats as often as they are, once when that is wanted, and held at a fermata', () => {
    const score = exampleScore({
      voices: ['E4/4 F4/4 E4/2 | G4/1'],
      tempo: 60,
      repeats: [{ from: 1, to: 1 }],
    });
    const plan = planPiece(score);
    expect(soundOf(plan).bars.map(({ bar, pass, from, to }) => [bar, pass, from, to])).toEqual([
      [0, 1, 0, 4000],
      [0, 2, 4000, 8000],
      [1, 1, 8000, 12000],
    ]);
    const once = soundOf(plan, { once: true });
    expect(once.length).toBe(8000);
    expect(once.beats.filter(({ isFirst }) => isFirst).map(({ ms }) => ms)).toEqual([0, 4000]);
  });

  it('tells slurs from plucks, and how hard each note is played', () => {
    const score = exampleScore({ voices: ['C4/8 D4/8 C4/4 E4/2'], tempo: 60 });
    const slurred = {
      ...score,
      notes: score.notes.map((note) =>
        note.index === 1 || note.index === 2
          ? { ...note, slurredFrom: { note: note.index - 1, kind: 'slur' as const } }
          : note.index === 3
            ? { ...note, articulations: ['accent'] }
            : note,
      ),
      directions: [{ kind: 'dynamics' as const, bar: 0, onset: score.notes[0]!.onset, text: 'p' }],
    };
    const begun = soundOf(planPiece(slurred)).events.filter(begins);
    expect(begun.map(({ kind }) => kind)).toEqual(['pluck', 'hammer-on', 'pull-off', 'pluck']);
    expect(begun[3]!.strength).toBeGreaterThan(begun[0]!.strength);
  });

  it('sounds natural harmonics at the true pitch of their partial', () => {
    const score = exampleScore({ voices: ['E5/1 | B5/1'], tempo: 60 });
    const harmonics = {
      ...score,
      notes: score.notes.map((note) => ({ ...note, harmonic: 'natural' as const })),
    };
    const begun = soundOf(planPiece(harmonics, decide(score, ['E5', 0, { string: 1 }]))).events.filter(
      begins,
    );
    // The third partial is a just twelfth: 1901.955 cents.
    const twelfth = begun.find((event) => event.kind === 'harmonic' && [7, 19].includes(event.node));
    if (twelfth) expect(twelfth.midi - twelfth.open).toBeCloseTo(19.01955, 4);
    expect(begun.every(({ kind }) => kind === 'harmonic')).toBe(true);
  });
});

describe('a balance', () => {
  const plan = studies.find(([name]) => name.startsWith('low-meadow'))![1];
  const { events } = soundOf(plan);

  it('leaves everything as it is when it is plain', () => {
    expect(balanced(events, PLAIN_BALANCE)).toEqual(events);
  });

  it('silences a part, and what it had sounded ends where it would', () => {
    const without = balanced(events, { ...PLAIN_BALANCE, parts: { ...PLAIN_BALANCE.parts, bass: 0 } });
    expect(without).toHaveLength(events.length);
    expect(without.filter(begins).every(({ role }) => role !== 'bass')).toBe(true);
    expect(without.filter(begins).length).toBe(
      events.filter(begins).filter(({ role }) => role !== 'bass').length,
    );
  });

  it('lets one hand be heard alone', () => {
    const right = balanced(events, { ...PLAIN_BALANCE, hands: 'right' }).filter(begins);
    expect(right.every(({ fret, midi, open }) => fret === 0 && midi === open)).toBe(true);
    const left = balanced(events, { ...PLAIN_BALANCE, hands: 'left' }).filter(begins);
    expect(left.every(({ kind, fret }) => kind === 'hammer-on' && fret > 0)).toBe(true);
    expect(left.length).toBe(events.filter(begins).filter(({ fret }) => fret > 0).length);
  });
});
