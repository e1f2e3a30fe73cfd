import { quartersText } from '../music/time.ts';
import type { Plan } from '../plan/plan.ts';
import type { Finding } from '../review/finding.ts';

/**
 * What the checker finds in a fingering that someone wrote, as `oculon.check/1`; fields are only ever added to it. `say`
 * puts a finding into words.
 */
export const checkJson = ({ score, findings, notes }: Plan, say: (finding: Finding) => string) => ({
  schema: 'oculon.check/1' as const,
  piece: { title: score.title, bars: score.bars.length, notes: score.notes.length },
  /** Notes on which the file fixes something; the others were proposed around them. */
  fixed: notes.filter((note) => note.locked).length,
  findings: findings.map((finding) => ({
    code: finding.code,
    severity: finding.severity,
    note: finding.note ?? null,
    bar: finding.bar + 1,
    beat: quartersText(finding.beat, score.ticksPerQuarter),
    message: say(finding),
  })),
});
export type CheckJson = ReturnType<typeof checkJson>;
