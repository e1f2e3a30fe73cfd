const MAJOR = ['C♭', 'G♭', 'D♭', 'A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯'] as const;
const MINOR = ['A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯', 'G♯', 'D♯', 'A♯'] as const;

/** The key as a musician says it; without a mode both readings of the signature. */
export const keyLabel = (fifths: number, mode: 'major' | 'minor' | null): string => {
  const at = Math.max(0, Math.min(14, fifths + 7));
  if (mode === 'major') return `${MAJOR[at]} major`;
  if (mode === 'minor') return `${MINOR[at]} minor`;
  return `${MAJOR[at]} major / ${MINOR[at]} minor`;
};

const RELATIVE = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });
const UNITS: readonly (readonly [Intl.RelativeTimeFormatUnit, number])[] = [
  ['day', 86_400],
  ['hour', 3600],
  ['minute', 60],
];

/** “yesterday”, “3 hours ago”; older than two weeks as a date. */
export const touchedLabel = (touched: Date, now: Date): string => {
  const seconds = (touched.getTime() - now.getTime()) / 1000;
  if (seconds > -60) return 'just now';
  if (seconds < -14 * 86_400)
    return touched.toLocaleDateString('en', { day: 'numeric', month: 'short', year: 'numeric' });
  const [unit, length] = UNITS.find(([, size]) => -seconds >= size)!;
  return RELATIVE.format(Math.ceil(seconds / length), unit);
};

const fold = (text: string): string => text.normalize('NFD').replaceAll(/\p{M}/gu, '').toLowerCase();

/** Whether every word of the search appears, accents and case aside. */
export const matchesSearch = (search: string, ...fields: readonly string[]): boolean => {
  const text = fold(fields.join(' '));
  return fold(search)
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => text.includes(word));
};
