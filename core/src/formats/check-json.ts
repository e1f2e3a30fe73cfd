import { quartersText } from '../music/time.ts';
import type { Plan } from '../plan/plan.ts';

/** What the checker finds in a fingering that someone wrote, as `oculon.check/1`; fields are only ever added to it. */
export const checkJson = ({ score, findings, notes }: Plan) => ({
  schema: 'oculon.check/1' as const,
  piece: { title: score.title, bars: score.bars.length, notes: score.notes.length },
  /** Notes on which the file fixes something; the others were proposed around them. */
  fixed: notes.filter((note) => note.locked).length,
  findings: findings.map(({ code, severity, note, bar, beat, message }) => ({
    code,
    severity,
    note: note ?? null,
    bar: bar + 1,
    beat: quartersText(beat, score.ticksPerQuarter),
    message,
  })),
});
export type CheckJson = ReturnType<typeof checkJson>;
