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
/** The piece whose file the data of a page asked for last, and that nobody has opened since. */
let loaded: string | undefined;

/** Asks for the file of a piece that is being gone to, beside the data of its page, unless it came while its link was pointed at. */
export const expectSource = (piece: string): void => {
  if (loaded !== piece) expected = { piece, source: startSource(piece) };
};

/** The file of a piece for its page: the one that is expected, or asked for now. */
export const sourceFor = (piece: string, ask: typeof fetch): Source => {
  const source = expected?.piece === piece ? expected.source : startSource(piece, ask);
  expected = undefined;
  loaded = piece;
  return source;
};

/** What came and was not used may have been corrected by the time it is. */
export const forgetExpected = (): void => {
  expected = undefined;
  loaded = undefined;
};
