/** A piece of text put in place of `[start, end)` of the source. */
export interface Splice {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/** The source with all splices made; overlapping splices are a bug of the caller and throw. */
export const spliceText = (source: string, splices: readonly Splice[]): string => {
  const ordered = [...splices].sort((a, b) => a.start - b.start || a.end - b.end);
  const parts: string[] = [];
  let at = 0;
  for (const splice of ordered) {
    if (splice.start < at) throw new RangeError(`splices overlap at offset ${splice.start}`);
    parts.push(source.slice(at, splice.start), splice.text);
    at = splice.end;
  }
  parts.push(source.slice(at));
  return parts.join('');
};

export const escapeXml = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
