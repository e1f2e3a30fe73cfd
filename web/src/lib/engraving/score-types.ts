import type { PitchSpelling } from '@oculon/core';

export type { Bar, BarVoice, Note, NoteIndex, NoteType, Score, VoiceEvent } from '@oculon/core';
export type Step = PitchSpelling['step'];
