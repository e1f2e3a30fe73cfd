import type { PlanJson, Wording } from '@oculon/core';

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
export const planTable = ({ say }: Wording, plan: PlanJson): string => {
  const { piece, notes, shifts, findings, cost } = plan;
  const yes = say('command.yes');
  const rows = notes.map((note) =>
    line([
      note.number || `#${note.bar}`,
      note.beat,
      note.voice,
      note.pitch,
      orDash(note.string),
      orDash(note.fret),
      orDash(note.finger),
      note.barre ? yes : '',
      orDash(note.pluck),
      note.locked ? yes : '',
    ]),
  );
  // Bars by the number that is printed: their place counts an upbeat too.
  const printed = new Map(notes.map(({ bar, number }) => [bar, number]));
  const shiftLines = shifts.map(({ bar, beat, from, to, rides, mm }) => {
    const ride = say(`ride.${rides}`);
    return `  ${say('command.shift', { bar: printed.get(bar) || `#${bar}`, beat, from, to, mm, ride })}`;
  });
  return [
    say('command.piece', {
      title: piece.title || say('command.untitled'),
      bars: piece.bars,
      notes: piece.notes,
      tempo: piece.tempo,
    }),
    '',
    line(COLUMNS.map(([name]) => say(`command.column.${name}`))),
    ...rows,
    '',
    shifts.length === 0 ? say('command.no-shifts') : say('command.shifts', { count: shifts.length }),
    ...shiftLines,
    ...(findings.length > 0
      ? ['', say('command.to-look-at'), ...findings.map((finding) => `  ${finding.message}`)]
      : []),
    '',
    say('command.effort', { left: cost.left, right: cost.right }),
    '',
  ].join('\n');
};
