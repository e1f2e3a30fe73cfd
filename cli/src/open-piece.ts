import { open } from 'node:fs/promises';
import {
  MAX_SOURCE_BYTES,
  problemText,
  readMusicXml,
  readSourceFile,
  repairText,
  type ImportedScore,
  type Wording,
} from '@oculon/core';
import { fileTrouble } from './setup-options.ts';

/** A piece read from a file, or why it could not be. */
export type OpenedPiece =
  | {
      readonly ok: true;
      readonly source: string;
      readonly imported: ImportedScore;
      /** Time to read and understand the file, in ms. */
      readonly parse: number;
    }
  | { readonly ok: false; readonly problem: string };

/** The bytes of a file or a pipe, and no more of them than tell that there are too many. */
const readBytes = async (file: string): Promise<Uint8Array> => {
  const handle = await open(file);
  try {
    const chunks: Buffer[] = [];
    let size = 0;
    for await (const chunk of handle.createReadStream({ autoClose: false })) {
      chunks.push(chunk as Buffer);
      size += (chunk as Buffer).length;
      if (size > MAX_SOURCE_BYTES) break;
    }
    return Buffer.concat(chunks);
  } finally {
    await handle.close();
  }
};

/** Reads a piece; what was mended on the way is said on the error output. */
export const openPiece = async (
  file: string,
  part: string | undefined,
  wording: Wording,
): Promise<OpenedPiece> => {
  let bytes: Uint8Array;
  try {
    bytes = await readBytes(file);
  } catch (error) {
    return { ok: false, problem: fileTrouble(file, error) };
  }
  const started = performance.now();
  const source = readSourceFile(bytes);
  if (!source.ok) return { ok: false, problem: `${file}: ${problemText(wording, source.error)}` };
  const imported = readMusicXml(source.value, part === undefined ? {} : { part });
  if (!imported.ok) return { ok: false, problem: `${file}: ${problemText(wording, imported.error)}` };
  const parse = performance.now() - started;
  for (const repair of imported.value.repairs)
    process.stderr.write(`oculon: ${file}: ${repairText(wording, repair)}\n`);
  return { ok: true, source: source.value, imported: imported.value, parse };
};
