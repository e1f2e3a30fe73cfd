/** Something in a typed piece that cannot be read so, with its place in the text, counted from 1. */
export interface TypedProblem {
  readonly line: number;
  readonly column: number;
  readonly message: string;
}

/** The place of a character in a text. */
export const placeIn = (text: string, at: number): Pick<TypedProblem, 'line' | 'column'> => {
  const before = text.slice(0, Math.max(0, at));
  return { line: before.split('\n').length, column: at - before.lastIndexOf('\n') };
};

/** What abcjs says of a text, without its mark-up. */
export const problemOfWarning = (warning: string): TypedProblem => {
  const found = /:(\d+):(\d+): (.*?):  /s.exec(warning);
  const plain = (found?.[3] ?? warning).replaceAll(/<[^>]*>/g, '');
  return { line: Number(found?.[1] ?? 1), column: Number(found?.[2] ?? 1), message: `${plain}.` };
};
