import type { PlanJson } from '@oculon/core';

const COLUMNS = [
  ['bar', 5],
  ['beat', 6],
  ['voice', 6],
  ['note', 6],
  ['string', 7],
  ['fret', 5],
  ['finger', 7],
  ['barre', 6],
  ['pluck', 6],
  ['fixed', 5],
] as const;

const line = (cells: readonly string[]): string =>
  cells
    .map((cell, index) => cell.padEnd(COLUMNS[index]![1]))
    .join(' ')
    .trimEnd();

const orDash = (value: string | number | null): string => (value === null ? '–' : String(value));

/** The plan as a table a person can read. */
export const planTable = (plan: PlanJson): string => {
  const { piece, notes, shifts, findings, cost } = plan;
  const rows = notes.map((note) =>
    line([
      note.number || `#${note.bar}`,
      note.beat,
      note.voice,
      note.pitch,
      orDash(note.string),
      orDash(note.fret),
      orDash(note.finger),
      note.barre ? 'yes' : '',
      orDash(note.pluck),
      note.locked ? 'yes' : '',
    ]),
  );
  // Bars by the number that is printed: their place counts an upbeat too.
  const printed = new Map(notes.map(({ bar, number }) => [bar, number]));
  const shiftLines = shifts.map(
    ({ bar, beat, from, to, rides, mm }) =>
      `  bar ${printed.get(bar) || `#${bar}`}, beat ${beat}: position ${from} to ${to}, ${mm} mm, ${rides === 'none' ? 'on nothing' : `on ${rides}`}`,
  );
  return [
    `${piece.title || 'Untitled'}: ${piece.bars} bars, ${piece.notes} notes, quarter = ${piece.tempo}`,
    '',
    line(COLUMNS.map(([name]) => name)),
    ...rows,
    '',
    shifts.length === 0 ? 'No change of position.' : `Changes of position (${shifts.length}):`,
    ...shiftLines,
    ...(findings.length > 0 ? ['', 'To look at:', ...findings.map((finding) => `  ${finding.message}`)] : []),
    '',
    `Effort: left hand ${cost.left.toFixed(1)}, right hand ${cost.right.toFixed(1)}`,
    '',
  ].join('\n');
};
