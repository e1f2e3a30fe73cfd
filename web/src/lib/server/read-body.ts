import { error } from '@sveltejs/kit';

/** Largest bodies, in bytes, by what they carry. */
export const BODY_LIMITS = { edits: 256 * 1024, names: 16 * 1024 } as const;

const sizeText = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${Math.round(bytes / 1024 / 1024)} MB` : `${Math.round(bytes / 1024)} kB`;

const tooLarge = (limit: number): never =>
  error(413, `This is larger than ${sizeText(limit)}, more than can be taken here.`);

/** The body of a request, read no further than `limit` bytes; 413 when there is more, before reading where that is told. */
export const readBody = async (request: Request, limit: number): Promise<Uint8Array> => {
  if (Number(request.headers.get('content-length') ?? 0) > limit) tooLarge(limit);
  if (!request.body) return new Uint8Array(0);
  const reader = request.body.getReader();
  const chunks: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read().catch(() => error(400, 'The request broke off.'));
    if (done) break;
    size += value.length;
    if (size > limit) {
      void reader.cancel().catch(() => undefined);
      tooLarge(limit);
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks);
};

/** A JSON body; undefined when it is none. */
export const readJson = async (request: Request, limit: number): Promise<unknown> => {
  const bytes = await readBody(request, limit);
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return undefined;
  }
};
