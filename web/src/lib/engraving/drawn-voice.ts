import type { Beam, StaveNote, Tuplet, Voice } from 'vexflow/core';
import type { VoiceEvent } from './score-types.ts';

/** Notes, a chord or a rest as VexFlow draws it. */
export interface DrawnEvent {
  readonly event: VoiceEvent;
  readonly drawn: StaveNote;
}

/** One voice of a bar as VexFlow draws it. */
export interface DrawnVoice {
  readonly voice: Voice;
  readonly beams: readonly Beam[];
  readonly tuplets: readonly Tuplet[];
  readonly notes: readonly DrawnEvent[];
  readonly graces: readonly DrawnEvent[];
}
