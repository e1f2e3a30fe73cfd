/** The file of a piece on its way: it answers nothing when it could not be had. */
export type Source = Promise<ArrayBuffer | undefined>;

/** Asks for the file of a piece. */
export const startSource = async (piece: string, ask: typeof fetch = fetch): Source => {
  try {
    const response = await ask(`/api/pieces/${piece}/source`);
    return response.ok ? await response.arrayBuffer() : undefined;
  } catch {
    return undefined;
  }
};

let expected: { readonly piece: string; readonly source: Source } | undefined;

/** Asks for the file of a piece that is being gone to, beside the data of its page. */
export const expectSource = (piece: string): void => {
  expected = { piece, source: startSource(piece) };
};

/** The file of a piece that is expected, once. */
export const expectedSource = (piece: string): Source | undefined => {
  const source = expected?.piece === piece ? expected.source : undefined;
  forgetExpected();
  return source;
};

/** What was expected and not asked for may have been corrected by the time it is. */
export const forgetExpected = (): void => {
  expected = undefined;
};
