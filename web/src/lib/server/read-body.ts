import { error } from '@sveltejs/kit';

/** Largest bodies, in bytes, by what they carry. */
export const BODY_LIMITS = {
  edits: 256 * 1024,
  names: 16 * 1024,
  form: 64 * 1024,
  handout: 16 * 1024,
  log: 512 * 1024,
} as const;

const sizeText = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${Math.round(bytes / 1024 / 1024)} MB` : `${Math.round(bytes / 1024)} kB`;

const tooLarge = (limit: number): never =>
  error(413, `This is larger than ${sizeText(limit)}, more than can be taken here.`);

/** So much of a body that is too large is let pass unread, so that whoever sends it can hear why it is refused. */
const MOST_PASSED = 64 * 1024 * 1024;

const letPass = async (reader: ReadableStreamDefaultReader<Uint8Array>): Promise<void> => {
  for (let passed = 0; passed < MOST_PASSED;) {
    const { done, value } = await reader.read();
    if (done) return;
    passed += value.length;
  }
  await reader.cancel();
};

/** The body of a request, kept no further than `limit` bytes; 413 when there is more, before reading where that is told. */
export const readBody = async (request: Request, limit: number): Promise<Uint8Array> => {
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array(0);
  const chunks: Uint8Array[] = [];
  let size = Number(request.headers.get('content-length') ?? 0) > limit ? Infinity : 0;
  while (size <= limit) {
    const { done, value } = await reader.read().catch(() => error(400, 'The request broke off.'));
    if (done) return Buffer.concat(chunks);
    size += value.length;
    chunks.push(value);
  }
  // Answered when it is over: whoever still sends may not listen, and then sees nothing but a broken connection.
  await letPass(reader).catch(() => undefined);
  return tooLarge(limit);
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
