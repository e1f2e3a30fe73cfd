import { playedClock } from '../score/played-clock.ts';
import { unfold, type Unfolded } from '../score/unfold/unfold.ts';
import type { Performance } from './performance.ts';
import { DECAY, type SoundEnd, type Sounding } from './sounding.ts';

/** One pluck (or slur) of a string as it is heard when the piece is played. */
export interface Heard {
  /** Sound of the performance. */
  readonly sound: number;
  readonly string: number;
  readonly fret: number;
  /** Which time its bar is played, from 1. */
  readonly pass: number;
  /** Tick of the unfolded piece at which it begins. */
  readonly onset: number;
  /** Seconds from the start of the piece. */
  readonly from: number;
  readonly until: number;
  readonly ends: SoundEnd;
}

/** A piece as it is heard, string by string. */
export interface HeardPiece {
  readonly unfolded: Unfolded;
  /** Seconds. */
  readonly length: number;
  /** Strings ① to ⑥, each in the order of its sounds, which never overlap. */
  readonly strings: readonly (readonly Heard[])[];
}

const STRING_COUNT = 6;

/** A sound in unfolded ticks, before what follows on its string is known. */
interface Begun {
  readonly sounding: Sounding;
  readonly pass: number;
  readonly onset: number;
  /** Where it ends if nothing is struck before. */
  readonly end: number;
  readonly ends: SoundEnd;
}

/**
 * What is heard of a performance when the piece is played with its repeats and jumps, in seconds, by string. A sound that
 * lasts beyond a jump is let go there when a finger stops it, and rings on when its string is open; the next sound of its
 * string ends it in either case.
 */
export const heardIn = (
  performance: Performance,
  unfolded: Unfolded = unfold(performance.score),
): HeardPiece => {
  const { score, clock, left } = performance;
  const played = playedClock(score, unfolded, clock);
  const byBar = new Map<number, Sounding[]>();
  for (const sounding of performance.soundings) {
    const { bar } = left.sounds[sounding.sound]!;
    byBar.set(bar, [...(byBar.get(bar) ?? []), sounding]);
  }
  const runEnds = runsOf(unfolded);
  const strings: Begun[][] = Array.from({ length: STRING_COUNT }, () => []);
  unfolded.bars.forEach(({ bar, start, pass }, place) => {
    const shift = start - score.bars[bar]!.start;
    for (const sounding of byBar.get(bar) ?? []) {
      const runEnd = runEnds[place]!;
      const wouldEnd = sounding.until + shift;
      const crosses = wouldEnd > runEnd && runEnd < unfolded.length;
      // An open string knows nothing of the jump: what would stop it on the page does not come, and it dies by itself.
      const diesByItself = sounding.isOpen && (crosses || sounding.ends === 'decayed');
      const end = diesByItself ? unfolded.length : crosses ? runEnd : wouldEnd;
      strings[sounding.string - 1]!.push({
        sounding,
        pass,
        onset: sounding.from + shift,
        end,
        ends: diesByItself ? 'decayed' : crosses ? 'lifted' : sounding.ends,
      });
    }
  });
  return {
    unfolded,
    length: played.length,
    strings: strings.map((begun) =>
      begun.map((each, place) => heardOf(each, begun[place + 1], performance, played.seconds)),
    ),
  };
};

/** By bar of the unfolded piece: the tick up to which the page is followed without a jump. */
const runsOf = ({ bars, length }: Unfolded): readonly number[] => {
  const ends = new Array<number>(bars.length).fill(length);
  for (let place = bars.length - 2; place >= 0; place -= 1) {
    const [here, next] = [bars[place]!, bars[place + 1]!];
    ends[place] = next.bar === here.bar + 1 ? ends[place + 1]! : next.start;
  }
  return ends;
};

const heardOf = (
  { sounding, pass, onset, end, ends }: Begun,
  next: Begun | undefined,
  { left }: Performance,
  seconds: (tick: number) => number,
): Heard => {
  const from = seconds(onset);
  const isEndedByNext = next !== undefined && next.onset <= end;
  const stop = isEndedByNext ? seconds(next.onset) : seconds(end);
  const dies = sounding.isOpen && from + DECAY < stop;
  return {
    sound: sounding.sound,
    string: sounding.string,
    fret: left.choices[sounding.sound]!.fret,
    pass,
    onset,
    from,
    until: dies ? from + DECAY : stop,
    ends: dies ? 'decayed' : isEndedByNext ? 'struck' : ends,
  };
};
