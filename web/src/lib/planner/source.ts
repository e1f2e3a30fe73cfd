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
