import { Midi } from '@tonejs/midi';
import type { Plan } from '../plan/plan.ts';
import { playedClock } from '../score/played-clock.ts';
import { onceThrough, unfold, type Unfolded } from '../score/unfold/unfold.ts';
import { soundedNotes } from '../sound/sounded-note.ts';
import type { SoundOptions } from '../sound/sound-of.ts';
import { strengthsIn } from '../sound/strength.ts';

/** General MIDI 1: acoustic guitar (nylon), counted from 0. */
const NYLON_GUITAR = 24;

/** Ticks of a quarter that the file may have, and those we ask of it: enough for triplets of 64ths. */
const MIDI_TICKS = 480;

/** Moments of unfolded time between which the tempo is even: ticks and seconds. */
const tempoSteps = (
  plan: Plan,
  unfolded: Unfolded,
  seconds: (tick: number) => number,
): readonly { readonly tick: number; readonly second: number }[] => {
  const { score, left } = plan;
  const ticks = new Set<number>([0, unfolded.length]);
  for (const { bar, start } of unfolded.bars) {
    const { start: written, length } = score.bars[bar]!;
    ticks.add(start);
    const within = (tick: number): boolean => tick > written && tick < written + length;
    for (const { onset } of score.tempi) if (within(onset)) ticks.add(start + onset - written);
    for (const { slice } of left.hands) if (within(slice.onset)) ticks.add(start + slice.onset - written);
  }
  return [...ticks].sort((a, b) => a - b).map((tick) => ({ tick, second: seconds(tick) }));
};

/**
 * A plan as a Standard MIDI File: a track for each voice, the tempo map with fermatas as slower beats, meters where they
 * change, repeats played out unless every bar is wanted once. Lengths are those that are heard, or as written.
 */
export const writeMidi = (plan: Plan, { asWritten = false, once = false }: SoundOptions = {}): Uint8Array => {
  const { score, left, performance } = plan;
  const unfolded = once ? onceThrough(score) : unfold(score);
  const { seconds } = playedClock(score, unfolded, performance.clock);
  const midi = new Midi();
  const perQuarter = midi.header.ppq || MIDI_TICKS;
  const ticksOf = (tick: number): number => Math.round((tick / score.ticksPerQuarter) * perQuarter);
  const steps = tempoSteps(plan, unfolded, seconds);
  const tempos: { ticks: number; bpm: number }[] = [];
  steps.forEach(({ tick, second }, index) => {
    const next = steps[index + 1];
    if (!next || next.second <= second) return;
    const bpm = ((next.tick - tick) / score.ticksPerQuarter) * (60 / (next.second - second));
    const last = tempos.at(-1);
    if (!last || Math.abs(last.bpm - bpm) > 0.01) tempos.push({ ticks: ticksOf(tick), bpm });
  });
  midi.header.tempos = tempos;
  midi.header.name = score.title;
  let meter = '';
  for (const { bar, start } of unfolded.bars) {
    const { beats, beatType } = score.bars[bar]!.meter;
    if (`${beats}/${beatType}` !== meter)
      midi.header.timeSignatures.push({ ticks: ticksOf(start), timeSignature: [beats, beatType] });
    meter = `${beats}/${beatType}`;
  }
  midi.header.update();

  /** Ticks of the file at which so many ms have passed. */
  const tickAt = (ms: number): number => {
    let low = 0;
    let high = steps.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (steps[middle]!.second * 1000 <= ms) low = middle;
      else high = middle - 1;
    }
    const [here, next] = [steps[low]!, steps[low + 1]];
    const rate =
      next && next.second > here.second ? (next.tick - here.tick) / (next.second - here.second) : 0;
    const last = steps.at(-2);
    const end = steps.at(-1)!;
    // Beyond the end the last tempo goes on.
    const beyond = last && end.second > last.second ? (end.tick - last.tick) / (end.second - last.second) : 0;
    return ticksOf(here.tick + (ms / 1000 - here.second) * (next ? rate : beyond));
  };
  const strength = strengthsIn(score);
  const tracks = new Map<string, ReturnType<Midi['addTrack']>>();
  for (const { voice } of left.sounds)
    if (!tracks.has(voice)) {
      const track = midi.addTrack();
      track.name = `Voice ${voice}`;
      track.channel = tracks.size % 9;
      track.instrument.number = NYLON_GUITAR;
      tracks.set(voice, track);
    }
  for (const { sound, from, until } of soundedNotes(plan, unfolded, { asWritten })) {
    const { midi: pitch, voice, head } = left.sounds[sound]!;
    const ticks = tickAt(from);
    tracks.get(voice)!.addNote({
      midi: pitch,
      ticks,
      durationTicks: Math.max(1, tickAt(until) - ticks),
      velocity: strength(score.notes[head]!),
    });
  }
  return midi.toArray();
};
