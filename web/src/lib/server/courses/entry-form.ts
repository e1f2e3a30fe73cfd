import { textIn } from '../forms.ts';

/** What a form says of an entry of the log; to be read by its schema. Empty fields say nothing. */
export const entryIn = (fields: URLSearchParams) => {
  const text = (name: string): string | null => textIn(fields, name).trim() || null;
  const number = (name: string): number | null => {
    const written = text(name);
    return written === null ? null : Number(written);
  };
  return {
    id: text('id'),
    day: text('day'),
    work: workIn(textIn(fields, 'work')),
    minutes: number('minutes'),
    tempo: number('tempo'),
    outcome: text('outcome'),
    felt: text('felt'),
    pain: text('pain'),
    remark: textIn(fields, 'remark'),
    corrects: text('corrects'),
    withdrawn: text('withdrawn') === 'yes',
  };
};

/** Work as a field of a form carries it. */
const workIn = (written: string): unknown => {
  try {
    return JSON.parse(written);
  } catch {
    return undefined;
  }
};
