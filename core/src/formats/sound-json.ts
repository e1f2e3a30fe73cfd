import type { Plan } from '../plan/plan.ts';
import type { SoundPlan } from '../sound/sound-event.ts';

/** What is heard of a piece as `oculon.sound/1`; fields are only ever added to it. Bars are counted from 1; times in ms. */
export const soundJson = (
  { score, left }: Plan,
  { events, bars, length }: SoundPlan,
  { asWritten, once }: { readonly asWritten: boolean; readonly once: boolean },
) => ({
  schema: 'oculon.sound/1' as const,
  piece: { title: score.title, bars: score.bars.length },
  asWritten,
  once,
  length,
  bars: bars.map(({ bar, pass, from, to }) => ({ bar: bar + 1, pass, from, to })),
  events: events.map(({ sound, ...event }) => ({
    ...event,
    id: score.notes[left.sounds[sound]!.head]!.id as string,
  })),
});
export type SoundJson = ReturnType<typeof soundJson>;
