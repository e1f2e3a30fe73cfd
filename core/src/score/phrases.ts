import type { Score } from './score.ts';
import type { Sound } from './sounds.ts';

export const PHRASE_ENDS = ['repeat', 'double-bar', 'rest', 'fermata', 'long-note', 'end'] as const;
/** What tells that a phrase ends. Handbook §2. */
export type PhraseEnd = (typeof PHRASE_ENDS)[number];

/** Bars that belong together; counted from 0, both included. */
export interface Phrase {
  readonly from: number;
  readonly to: number;
  readonly ends: PhraseEnd;
}

/** A silence in all voices that parts phrases, and a note long enough to end one, as shares of the bar. Our own values. */
const SILENCE_SHARE = 0.24;
const LONG_NOTE_SHARE = 0.49;
/** A long note ends a phrase when it is this many times the usual length in its voice. */
const LONG_NOTE_FACTOR = 2;
/** Rests and long notes do not part phrases shorter than this, in bars. */
const SHORTEST_PHRASE = 2;

/** The phrases of a piece: they end at repeats and double bars, and softly at fermatas, rests in all voices and long notes. */
export const phrasesOf = (score: Score, sounds: readonly Sound[]): readonly Phrase[] => {
  const byBar: Sound[][] = score.bars.map(() => []);
  for (const sound of sounds) byBar[sound.bar]!.push(sound);
  const usual = usualLengths(sounds);
  const phrases: Phrase[] = [];
  let from = 0;
  score.bars.forEach((bar, index) => {
    const next = score.bars[index + 1];
    const hard: PhraseEnd | undefined =
      next === undefined
        ? 'end'
        : bar.repeatEnd || next.repeatStart || bar.ending?.stops
          ? 'repeat'
          : bar.barline !== 'regular'
            ? 'double-bar'
            : undefined;
    const soft = hard ?? softEnd(score, index, byBar, usual);
    if (!soft || (soft !== hard && index - from + 1 < SHORTEST_PHRASE)) return;
    phrases.push({ from, to: index, ends: soft });
    from = index + 1;
  });
  return phrases;
};

const usualLengths = (sounds: readonly Sound[]): ReadonlyMap<string, number> => {
  const lengths = new Map<string, number[]>();
  for (const { voice, onset, end } of sounds)
    lengths.set(voice, [...(lengths.get(voice) ?? []), end - onset]);
  return new Map(
    [...lengths].map(([voice, own]) => [voice, own.sort((a, b) => a - b)[own.length >> 1]!] as const),
  );
};

const softEnd = (
  score: Score,
  index: number,
  byBar: readonly (readonly Sound[])[],
  usual: ReadonlyMap<string, number>,
): PhraseEnd | undefined => {
  const bar = score.bars[index]!;
  const end = bar.start + bar.length;
  if (bar.voices.some((voice) => voice.events.some((event) => event.fermata))) return 'fermata';
  const own = byBar[index]!;
  if (own.length === 0) return undefined;
  if (end - Math.max(...own.map((sound) => sound.end)) >= bar.length * SILENCE_SHARE) return 'rest';
  // The melody decides: a long bass under a moving line ends nothing.
  const top = own.reduce((a, b) => (b.midi > a.midi ? b : a));
  const last = own.filter(({ voice }) => voice === top.voice).at(-1)!;
  const length = last.end - last.onset;
  const isLong =
    length >= bar.length * LONG_NOTE_SHARE &&
    length >= LONG_NOTE_FACTOR * (usual.get(last.voice) ?? 0) &&
    !own.some((each) => each !== last && each.onset > last.onset && each.voice === last.voice);
  return isLong && last.end >= end ? 'long-note' : undefined;
};
