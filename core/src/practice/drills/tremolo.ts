import type { StringNumber } from '../../instrument/guitar.ts';
import type { BarDraft } from '../../score/draft/draft.ts';
import { asPiece, even, type DrillNote } from './bars.ts';
import { drillKind } from './drill-kind.ts';
import { choice, wholeNumber } from './parameter.ts';
import { pitchAt } from './places.ts';
import { PROGRESSION_NAMES, PROGRESSIONS } from './progressions.ts';

/** Letters of a tremolo as it is built up, with how many notes come to a beat. */
const LEVELS = [
  { letters: ['p', 'a'], perBeat: 2 },
  { letters: ['p', 'a', 'm'], perBeat: 3 },
  { letters: ['p', 'a', 'm', 'i'], perBeat: 4 },
] as const;
/** Strings of the bass under a tremolo, beat by beat, as steps above the bass string of the chord. */
const BASS_WALK = [0, 1, 2, 1] as const;

/** Tremolo on one string over a walking thumb, built up note by note: p a, p a m, p a m i. */
export const tremolo = drillKind({
  name: 'tremolo',
  group: 'right-hand',
  care: ['repetition'],
  parameters: {
    level: choice(['pa', 'pam', 'pami', 'all'], 'all'),
    string: choice(['1', '2'], '1'),
    chords: choice(PROGRESSION_NAMES, 'a-minor'),
    tempo: wholeNumber(30, 160, 50),
  },
  make: ({ level, string: chosen, chords, tempo }) => {
    const string = Number(chosen) as StringNumber;
    const levels = LEVELS.filter(({ letters }) => level === 'all' || letters.join('') === level);
    const bars = levels.flatMap(({ letters, perBeat }) =>
      PROGRESSIONS[chords].map((chord): BarDraft => {
        const tune = chord.frets[string - 1] ?? 0;
        const notes = BASS_WALK.flatMap((step) =>
          letters.map((letter): DrillNote => {
            const bass = Math.max(string + 1, chord.bass - step) as StringNumber;
            const fret = letter === 'p' ? (chord.frets[bass - 1] ?? 0) : tune;
            const on = letter === 'p' ? bass : string;
            return {
              pitches: [pitchAt(on, fret)],
              fingering: [{ string: on, ...(fret === 0 && { finger: 0 }), pluck: letter }],
            };
          }),
        );
        return { voices: [even(notes, perBeat)] };
      }),
    );
    return { bars: asPiece(bars, { tempo }), tempo };
  },
});
