import type { SoundEvent, SoundPlan } from '@oculon/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { TimedEvent } from './guitar/string-events.ts';
import { Player, type PlayedInstrument } from './player.ts';
import { PLAIN_SOUND } from './sound-settings.ts';

/** Eight notes at 120 in two bars of 4/4, each on the next string: the n-th lies n × 500 ms after the first. */
const events: readonly SoundEvent[] = Array.from({ length: 8 }, (_, index) => ({
  kind: 'pluck',
  ms: index * 500,
  string: 1 + (index % 6),
  sound: index,
  fret: index,
  midi: 60 + index,
  open: 60,
  strength: 0.5,
  voice: '1',
  role: 'melody',
  finger: 'i',
  stroke: 'free',
}));
const sound: SoundPlan = {
  events,
  bars: [
    { bar: 0, pass: 1, from: 0, to: 2000 },
    { bar: 1, pass: 1, from: 2000, to: 4000 },
  ],
  steps: events.map(({ ms }, index) => ({ ms, onset: index * 24, isShift: false })),
  beats: events.map(({ ms }) => ({ ms, isFirst: ms % 2000 === 0 })),
  length: 4000,
};

/** An instrument that nobody hears: it keeps what it is told, by the clock of the test. */
class SilentInstrument implements PlayedInstrument {
  latency = 0;
  volume = 1;
  isOpen = true;
  told: readonly TimedEvent[] = [];
  /** How much faster its clock goes than the timers of the page. */
  pace = 1;

  get now(): number {
    return (performance.now() / 1000) * this.pace;
  }
  isAwake = false;
  wake(): Promise<void> {
    this.isAwake = true;
    return Promise.resolve();
  }
  rest(): void {
    this.isAwake = false;
  }
  schedule(added: readonly TimedEvent[]): void {
    this.told = [...this.told, ...added];
  }
  forget(from: number): void {
    this.told = this.told.filter(({ at }) => at < from);
  }
  close(): void {
    this.isOpen = false;
  }

  /** When notes are plucked, in seconds from the first. */
  get plucks(): readonly number[] {
    const seconds = this.told.filter(({ kind }) => kind === 'pluck').map(({ at }) => at);
    return seconds.map((at) => Math.round((at - seconds[0]!) * 1000) / 1000);
  }
}

const played = (change: Partial<typeof PLAIN_SOUND> = {}) => {
  const instrument = new SilentInstrument();
  const steps: (readonly [number, number])[] = [];
  const heard = { steps, rates: [] as number[], stops: 0 };
  const player = new Player(
    instrument,
    sound,
    { ...PLAIN_SOUND, withNext: false, ...change },
    {
      onStep: (onset) => steps.push([onset / 24, performance.now() / 1000]),
      onBeat: () => undefined,
      onStopped: () => (heard.stops += 1),
      onRate: (rate) => heard.rates.push(rate),
    },
  );
  return { instrument, player, heard };
};

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('a player', () => {
  it('plays from a moment to the end, tells each step when it is heard, and stops by itself', async () => {
    const { instrument, player, heard } = played();
    await player.play(2000);
    await vi.advanceTimersByTimeAsync(4000);
    expect(instrument.plucks).toEqual([0, 0.5, 1, 1.5]);
    expect(heard.steps.map(([step]) => step)).toEqual([4, 5, 6, 7]);
    const start = instrument.told.find(({ kind }) => kind === 'pluck')!.at;
    // The mark stands on the first note before it is played.
    for (const [step, at] of heard.steps.slice(1))
      expect(Math.abs(at - start - (step - 4) * 0.5)).toBeLessThan(0.03);
    expect(heard.stops).toBe(1);
    // What still rings is hushed a little later.
    expect(instrument.told.at(-1)).toMatchObject({ kind: 'pluck' });
    await vi.advanceTimersByTimeAsync(2500);
    expect(instrument.told.at(-1)).toMatchObject({ kind: 'hush' });
    expect(instrument.isAwake).toBe(true);
    await vi.advanceTimersByTimeAsync(1500);
    expect(instrument.isAwake).toBe(false);
  });

  it('shows every other of notes that the eye does not follow, and the one that stays', async () => {
    const { player, heard } = played({ rate: 4 });
    await player.play(0);
    await vi.advanceTimersByTimeAsync(1500);
    expect(heard.steps.map(([step]) => step)).toEqual([0, 2, 4, 6, 7]);
  });

  it('sleeps soon after it is stopped, and not when it is played again before', async () => {
    const { instrument, player } = played();
    await player.play(0);
    player.stop();
    await vi.advanceTimersByTimeAsync(500);
    await player.play(0);
    await vi.advanceTimersByTimeAsync(1500);
    expect(instrument.isAwake).toBe(true);
    player.stop();
    await vi.advanceTimersByTimeAsync(1500);
    expect(instrument.isAwake).toBe(false);
    player.close();
  });

  it('leaves no gap and nothing twice when the page is hidden and wakes once a second', async () => {
    const { instrument, player } = played();
    // The timer that looks again after 200 ms comes when a second has been played.
    instrument.pace = 5;
    player.setLoop({ from: 0, to: 1 });
    await player.play(0);
    for (let turn = 0; turn < 12; turn += 1) {
      await vi.advanceTimersByTimeAsync(199);
      expect(instrument.told.at(-1)!.at).toBeGreaterThan(instrument.now);
      await vi.advanceTimersByTimeAsync(1);
    }
    const { plucks } = instrument;
    expect(plucks.length).toBeGreaterThan(20);
    plucks.forEach((at, index) => expect(at).toBeCloseTo(index * 0.5, 2));
    player.close();
  });

  it('tells where it is in loops that are shorter than what is scheduled ahead', async () => {
    const { player, heard } = played({ rate: 1.3 });
    player.setLoop({ from: 1, to: 1 });
    await player.play(2000);
    await vi.advanceTimersByTimeAsync(5000);
    player.stop();
    const seen = heard.steps.map(([step]) => step);
    expect(seen.length).toBeGreaterThan(10);
    seen.forEach((step, index) => expect(step).toBe(4 + (index % 4)));
  });

  it('climbs the ladder a step each time through, to the goal and no further', async () => {
    const { instrument, player, heard } = played({ rate: 0.9, ladder: true });
    player.setLoop({ from: 0, to: 0 });
    await player.play(0);
    await vi.advanceTimersByTimeAsync(9000);
    expect(heard.rates).toEqual([0.95, 1]);
    const starts = instrument.plucks.filter((_, index) => index % 4 === 0);
    expect(starts[1]).toBeCloseTo(2 / 0.9, 2);
    expect(starts[2]! - starts[1]!).toBeCloseTo(2 / 0.95, 2);
    expect(starts[3]! - starts[2]!).toBeCloseTo(2, 2);
    player.close();
  });

  it('changes tempo from where it is: nothing is played twice, nothing left out', async () => {
    const { instrument, player } = played();
    await player.play(0);
    await vi.advanceTimersByTimeAsync(1200);
    player.setSettings({ ...PLAIN_SOUND, withNext: false, rate: 0.5 });
    await vi.advanceTimersByTimeAsync(8000);
    const notes = instrument.told.filter((event) => event.kind === 'pluck');
    expect(notes.map((event) => 'hertz' in event && event.hertz)).toEqual(
      [...notes].map((event) => 'hertz' in event && event.hertz).sort((a, b) => Number(a) - Number(b)),
    );
    expect(notes).toHaveLength(8);
    expect(notes[7]!.at - notes[6]!.at).toBeCloseTo(1, 3);
  });

  it('changes nothing that is scheduled when only the volume changes', async () => {
    const { instrument, player } = played();
    await player.play(0);
    const before = instrument.told;
    player.setSettings({ ...PLAIN_SOUND, withNext: false, volume: 0.2 });
    expect(instrument.told).toBe(before);
    expect(instrument.volume).toBe(0.2);
    player.close();
    expect(instrument.isOpen).toBe(false);
  });
});
