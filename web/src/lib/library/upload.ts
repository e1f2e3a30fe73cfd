import { isArchive, MAX_PACKED_BYTES, MAX_SOURCE_BYTES } from '@oculon/core';
import * as z from 'zod/mini';
import { problemWords } from '../words.ts';

const importedSchema = z.object({
  id: z.string(),
  repairs: z.array(z.object({ code: z.string(), message: z.string() })),
});
const problemSchema = z.object({
  code: z.string(),
  message: z.string(),
  parts: z.optional(z.array(z.object({ id: z.string(), name: z.string() }))),
});
export type Imported = z.infer<typeof importedSchema>;
export type UploadProblem = z.infer<typeof problemSchema>;
export type UploadOutcome =
  { readonly ok: true; readonly value: Imported } | { readonly ok: false; readonly error: UploadProblem };

const unreachable: UploadOutcome = {
  ok: false,
  error: {
    code: 'unreachable',
    message:
      'The server could not be reached. The file was not imported; try again when the connection is back.',
  },
};

const MEGABYTE = 1024 * 1024;

/** Why a file is not worth sending: it is larger than the server takes. */
const tooLarge = async (file: File): Promise<UploadOutcome | undefined> => {
  // A file that cannot be read is told by the attempt to send it.
  const start = await file
    .slice(0, 2)
    .arrayBuffer()
    .catch(() => new ArrayBuffer(0));
  const head = new Uint8Array(start);
  const limit = isArchive(head) ? MAX_PACKED_BYTES : MAX_SOURCE_BYTES;
  if (file.size <= limit) return undefined;
  return {
    ok: false,
    error: {
      code: 'too-large',
      message: problemWords({ code: 'too-large', values: { what: 'file', most: limit / MEGABYTE } }),
    },
  };
};

/** Sends a score file to be imported, unless it is larger than any that is taken. */
export const uploadPiece = async (
  file: File,
  part: string | undefined,
  onProgress: (share: number) => void,
): Promise<UploadOutcome> =>
  (await tooLarge(file)) ?? sendPiece(file, 'POST', inPart('/api/pieces', part), onProgress);

const inPart = (address: string, part: string | undefined): string =>
  part === undefined ? address : `${address}?part=${encodeURIComponent(part)}`;

/** A piece that is corrected, and what tells the source that was seen from another that it may have by now. */
export interface CorrectedPiece {
  readonly id: string;
  readonly digest: string;
}

/** Sends a score file as another source of a piece that is there, which takes its name from it. */
export const correctSource = async (file: File, { id, digest }: CorrectedPiece): Promise<UploadOutcome> =>
  (await tooLarge(file)) ?? sendPiece(file, 'PUT', `/api/pieces/${id}/source`, () => undefined, digest);

/** Sends the file of a piece in which a note was corrected. */
export const correctNotes = async (
  file: File,
  { id, digest, part }: CorrectedPiece & { readonly part: string },
): Promise<UploadOutcome> =>
  (await tooLarge(file)) ??
  sendPiece(file, 'PUT', `${inPart(`/api/pieces/${id}/source`, part)}&keep-name`, () => undefined, digest);

/** Sends a score file. XMLHttpRequest, because fetch does not tell how far an upload is. */
const sendPiece = (
  file: File,
  method: 'POST' | 'PUT',
  address: string,
  onProgress: (share: number) => void,
  replacedDigest?: string,
): Promise<UploadOutcome> =>
  new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open(method, address);
    request.setRequestHeader('content-type', 'application/octet-stream');
    request.setRequestHeader('x-file-name', encodeURIComponent(file.name));
    if (replacedDigest !== undefined) request.setRequestHeader('if-match', `"${replacedDigest}"`);
    request.upload.onprogress = (event) => {
      if (event.lengthComputable) onProgress(event.loaded / event.total);
    };
    request.onerror = () => resolve(unreachable);
    request.onload = () => {
      try {
        const body: unknown = JSON.parse(request.responseText);
        if (request.status === 200 || request.status === 201)
          resolve({ ok: true, value: importedSchema.parse(body) });
        else resolve({ ok: false, error: problemSchema.parse({ code: 'refused', ...(body as object) }) });
      } catch {
        resolve(unreachable);
      }
    };
    request.send(file);
  });
