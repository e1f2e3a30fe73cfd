import { begins, type SoundEvent } from '@oculon/core';
import type { StringEvent } from './guitar/string-events.ts';

/** Equal temperament at A4 = 440 Hz. */
const hertzOf = (midi: number): number => 440 * 2 ** ((midi - 69) / 12);
/** Sounds that last beside what is played on their string have strings of their own. */
const BESIDE = 6;

/** What an event of a piece is on the instrument. */
export const stringEventOf = (event: SoundEvent): StringEvent => {
  const string = event.string - 1 + (event.beside ? BESIDE : 0);
  if (!begins(event)) return { kind: 'damp', string };
  const { midi, strength } = event;
  const hertz = hertzOf(midi);
  switch (event.kind) {
    case 'slide':
      return { kind: 'slide', string, hertz, strength };
    case 'hammer-on':
    case 'pull-off':
      return { kind: 'hammer', string, hertz, strength, plucker: 'finger', isRest: false };
    case 'harmonic':
      return { kind: 'harmonic', string, hertz, strength, plucker: 'finger', isRest: false };
    case 'pluck':
      return {
        kind: 'pluck',
        string,
        hertz,
        strength,
        plucker: event.finger === 'p' ? 'thumb' : 'finger',
        isRest: event.stroke === 'rest',
      };
  }
};
