const CIRCLED = ['①', '②', '③', '④', '⑤', '⑥'] as const;

/** A string as it stands on the page: `③`. */
export const stringSign = (string: number): string => CIRCLED[string - 1] ?? String(string);

/** Several strings in a row: `②①`. */
export const stringSigns = (strings: readonly number[]): string => strings.map(stringSign).join('');

/** The string that a circled number stands for; undefined when it is none. */
export const readStringSign = (text: string): number | undefined => {
  const at = CIRCLED.findIndex((each) => each === text.trim());
  return at < 0 ? undefined : at + 1;
};
