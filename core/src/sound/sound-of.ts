import type { Plan } from '../plan/plan.ts';
import { rolesOf } from '../right/events/roles.ts';
import { harmonicTouches } from '../right/around/strokes.ts';
import { HARMONIC_NODES, openPitch, type StringNumber } from '../instrument/guitar.ts';
import { pulse } from '../music/meter.ts';
import { playedClock } from '../score/played-clock.ts';
import { onceThrough, unfold, type Unfolded } from '../score/unfold/unfold.ts';
import { strengthsIn } from './strength.ts';
import { soundedNotes, type SoundedNote } from './sounded-note.ts';
import type { SoundEvent, SoundPlan } from './sound-event.ts';

export interface SoundOptions {
  /** Every note for its written length, instead of what the strings do. */
  readonly asWritten?: boolean;
  /** Without repeats and jumps: every bar of the page once. */
  readonly once?: boolean;
}

/** Which partial of its string sounds when it is touched over a fret: the one whose interval the fret is known for. */
const partialAt = (node: number): number | undefined => {
  const known = HARMONIC_NODES.find(({ fret }) => fret === node);
  return known && Math.round(2 ** (known.semitones / 12));
};

/** Thousandths of a ms are exact enough, and keep equal moments equal. */
const rounded = (ms: number): number => Math.round(ms * 1000) / 1000;

/**
 * What happens to each string when a plan is played: plucks, slurs, slides and harmonics with their strength, and what
 * ends them, in ms, with the bars, moments and beats of what is played. Pure; the same plan sounds the same.
 */
export const soundOf = (plan: Plan, { asWritten = false, once = false }: SoundOptions = {}): SoundPlan => {
  const unfolded = once ? onceThrough(plan.score) : unfold(plan.score);
  const notes = soundedNotes(plan, unfolded, { asWritten });
  const begin = beginnings(plan);
  const events = notes.flatMap((note): SoundEvent[] => {
    const { sound, string, until, ends, isBeside } = note;
    const at = { ms: rounded(until), string, sound, ...(isBeside && { beside: true as const }) };
    const end: SoundEvent[] =
      ends === 'played-again' || ends === 'dies'
        ? []
        : [ends === 'lifted' ? { kind: 'lift', ...at } : { kind: 'damp', ...at, by: ends }];
    return [begin(note), ...end];
  });
  // What ends comes before what begins at the same moment.
  const rank = ({ kind }: SoundEvent): number => (kind === 'damp' || kind === 'lift' ? 0 : 1);
  return {
    events: events.sort((a, b) => a.ms - b.ms || rank(a) - rank(b)),
    ...courseOf(plan, unfolded),
  };
};

/** Makes the event with which a note begins. */
const beginnings = (plan: Plan): ((note: SoundedNote) => SoundEvent) => {
  const { score, left, right, performance } = plan;
  const strength = strengthsIn(score);
  const roles = rolesOf(left).of;
  const touches = new Map(harmonicTouches(score, left).map((touch) => [touch.sound, touch]));
  const strummed = new Map(
    right.strums.flatMap((strum) => strum.sounds.map((sound) => [sound, strum] as const)),
  );
  const rests = new Set(
    performance.strokes.filter(({ stroke }) => stroke === 'rest').map(({ sound }) => sound),
  );
  const { slurredFrom, slides } = left.times;
  return ({ sound, string, fret, from, isBeside }) => {
    const { midi, voice, head } = left.sounds[sound]!;
    const note = score.notes[head]!;
    const open = openPitch(left.setup.guitar, string as StringNumber);
    const common = {
      ms: rounded(from),
      string,
      sound,
      ...(isBeside && { beside: true as const }),
      fret,
      midi: midi as number,
      open: open as number,
      strength: strength(note),
      voice,
      role: roles[sound]!,
    };
    const touch = touches.get(sound);
    const finger = right.choices[sound]?.pluck ?? strummed.get(sound)?.finger;
    if (touch) {
      const partial = note.harmonic === 'natural' ? partialAt(touch.node) : undefined;
      const pitch = partial === undefined ? common.midi : open + 12 * Math.log2(partial);
      return { kind: 'harmonic', ...common, midi: pitch, node: touch.node, finger };
    }
    const before = slurredFrom[sound]!;
    const origin = before >= 0 ? left.choices[before] : undefined;
    if (origin && origin.string === string && !right.choices[sound]) {
      const fromMidi = left.sounds[before]!.midi as number;
      if (slides[sound]) return { kind: 'slide', ...common, fromFret: origin.fret, fromMidi };
      if (fromMidi !== midi) return { kind: midi > fromMidi ? 'hammer-on' : 'pull-off', ...common };
    }
    const strum = strummed.get(sound);
    return {
      kind: 'pluck',
      ...common,
      finger,
      stroke: rests.has(sound) ? 'rest' : 'free',
      ...(strum && { strum: strum.direction }),
    };
  };
};

/** The bars, moments and beats of what is played. */
const courseOf = (
  { score, left, shifts, performance }: Plan,
  unfolded: Unfolded,
): Pick<SoundPlan, 'bars' | 'steps' | 'beats' | 'length'> => {
  const { seconds, length } = playedClock(score, unfolded, performance.clock);
  const ms = (tick: number): number => rounded(1000 * seconds(tick));
  const shiftAt = new Set(shifts.map(({ onset }) => onset));
  const onsets = new Map<number, number[]>();
  for (const { slice } of left.hands)
    if (slice.struck.length > 0) onsets.set(slice.bar, [...(onsets.get(slice.bar) ?? []), slice.onset]);
  return {
    bars: unfolded.bars.map(({ bar, pass, start }, place) => ({
      bar,
      pass,
      from: ms(start),
      to: place + 1 < unfolded.bars.length ? ms(unfolded.bars[place + 1]!.start) : rounded(1000 * length),
    })),
    steps: unfolded.bars.flatMap(({ bar, start }) =>
      [...new Set(onsets.get(bar) ?? [])].map((onset) => ({
        ms: ms(start + onset - score.bars[bar]!.start),
        onset,
        isShift: shiftAt.has(onset),
      })),
    ),
    beats: unfolded.bars.flatMap(({ bar, start }) => {
      const { meter, length: ticks, pickup } = score.bars[bar]!;
      const beat = pulse(meter, score.ticksPerQuarter);
      const count = Math.max(1, Math.round(ticks / beat));
      return Array.from({ length: count }, (_, index) => ({
        ms: ms(start + Math.min(index * beat, ticks)),
        isFirst: index === 0 && !pickup,
      }));
    }),
    length: rounded(1000 * length),
  };
};
