import type { Note, Score } from '../score/score.ts';

/** How hard a string is plucked under each dynamic sign, 0 to 1. Values of our own. */
const STRENGTHS: Readonly<Record<string, number>> = {
  ppp: 0.22,
  pp: 0.3,
  p: 0.42,
  mp: 0.52,
  mf: 0.62,
  f: 0.76,
  ff: 0.88,
  fff: 1,
};
const PLAIN = 0.6;
/** Signs for one moment alone, and what they add. */
const SUDDEN: Readonly<Record<string, number>> = {
  sf: 0.2,
  sfz: 0.2,
  fz: 0.2,
  sffz: 0.3,
  rf: 0.12,
  rfz: 0.12,
};
const ACCENTS: Readonly<Record<string, number>> = { accent: 0.14, 'strong-accent': 0.22 };

/** How hard each note is plucked: the dynamic sign in force, and what stands at the note itself. */
export const strengthsIn = (score: Score): ((note: Note) => number) => {
  const signs = score.directions
    .filter(({ kind }) => kind === 'dynamics')
    .map(({ onset, text }) => ({ onset: onset as number, sign: text.trim().toLowerCase() }))
    .sort((a, b) => a.onset - b.onset);
  const levels = signs.flatMap(({ onset, sign }) => {
    // “fp” is loud at once and soft from there on.
    const level = STRENGTHS[sign] ?? (/^s?fp$/.test(sign) ? STRENGTHS.p : undefined);
    return level === undefined ? [] : [{ onset, level }];
  });
  const sudden = new Map(
    signs.flatMap(({ onset, sign }) => {
      const more = SUDDEN[sign] ?? (/^s?fp$/.test(sign) ? SUDDEN.sf : undefined);
      return more === undefined ? [] : [[onset, more] as const];
    }),
  );
  return ({ onset, articulations }) => {
    const level = levels.findLast((each) => each.onset <= onset)?.level ?? PLAIN;
    const accent = Math.max(0, ...articulations.map((each) => ACCENTS[each] ?? 0));
    return Math.min(1, level + accent + (sudden.get(onset) ?? 0));
  };
};
