import type { Plan } from '../plan/plan.ts';
import { passageReturns } from '../score/passage-returns.ts';
import { phrasesOf } from '../score/phrases.ts';
import { placeOf } from './json-place.ts';

type IsWanted = (place: { readonly bar: number }) => boolean;

/** The movements, the harmony and the form of a plan, as later fields of `oculon.plan/1`. */
export const movementsJson = ({ score, left, technique }: Plan, isWanted: IsWanted) => {
  const at = (slice: number) => placeOf(score, left.hands[slice]!.slice.onset);
  const atSound = (sound: number) => placeOf(score, left.sounds[sound]!.onset);
  return {
    guides: technique.guides
      .map(({ slice, finger, string, fromFret, toFret, isHeard }) => ({
        ...at(slice),
        finger,
        string,
        fromFret,
        toFret,
        heard: isHeard,
      }))
      .filter(isWanted),
    held: technique.held
      .map(({ stay, kind, from, to }) => {
        const until = atSound(to);
        return { ...atSound(from), finger: stay.finger, kind, untilBar: until.bar, untilBeat: until.beat };
      })
      .filter(isWanted),
    preparations: technique.preparations
      .map(({ stay, how, should }) => {
        const set = at(should);
        return {
          ...at(stay.from),
          finger: stay.finger,
          strings: stay.strings,
          fret: stay.fret,
          how,
          setBar: set.bar,
          setBeat: set.beat,
        };
      })
      .filter(isWanted),
    blocks: technique.blocks
      .map(({ from, chord, shape, position }) => ({ ...at(from), chord: chord ?? null, position, shape }))
      .filter(isWanted),
    slurSuggestions: technique.slurSuggestions
      .map(({ to, kind, repairs }) => ({ ...atSound(to), kind, repairs }))
      .filter(isWanted),
    phrases: phrasesOf(score, left.sounds).map(({ from, to, ends }) => ({
      from: from + 1,
      to: to + 1,
      ends,
    })),
    returns: passageReturns(score, left.sounds).map(({ from, to, like, likeness }) => ({
      from: from + 1,
      to: to + 1,
      like: like + 1,
      ...likeness,
    })),
  };
};
