/** The file of a piece. */
export interface SourceFile {
  readonly bytes: ArrayBuffer;
  /** What tells it from every other file, as the server says. */
  readonly digest: string;
}
/** A file on its way: it answers nothing when it could not be had. */
export type Source = Promise<SourceFile | undefined>;

/** Asks for the file of a piece. */
const startSource = async (piece: string, ask: typeof fetch): Source => {
  try {
    const response = await ask(`/api/pieces/${piece}/source`);
    const digest = response.headers.get('etag')?.replaceAll('"', '') ?? '';
    return response.ok ? { bytes: await response.arrayBuffer(), digest } : undefined;
  } catch {
    return undefined;
  }
};

let expected: { readonly piece: string; readonly source: Source } | undefined;
/** The file that a page was made of last: the next page is likely to be of the same piece. */
let kept: { readonly piece: string; readonly digest: string; readonly source: Source } | undefined;

/** Asks for the file of a piece that is being gone to, beside the data of its page, unless it is here already. */
export const expectSource = (piece: string): void => {
  if (kept?.piece !== piece) expected = { piece, source: startSource(piece, fetch) };
};

/** A file that is expected may have been corrected by the time it is known which is wanted: then the wanted one is asked for. */
const wantedFile = async (
  piece: string,
  digest: string,
  coming: Source | undefined,
  ask: typeof fetch,
): Source => {
  const come = await coming;
  return come?.digest === digest ? come : startSource(piece, ask);
};

/** The file of a piece for its page: the one that is here, or is expected, or is asked for now. */
export const sourceFor = (piece: string, digest: string, ask: typeof fetch = fetch): Source => {
  const coming = expected?.piece === piece ? expected.source : undefined;
  expected = undefined;
  if (kept?.digest === digest) return kept.source;
  const asked = { piece, digest, source: wantedFile(piece, digest, coming, ask) };
  kept = asked;
  // What could not be had is asked for again, and a correction in between is told by the next data of the page.
  void asked.source.then((file) => {
    if (file?.digest !== digest && kept === asked) kept = undefined;
  });
  return asked.source;
};
