import { Unzip, UnzipInflate } from 'fflate';
import { failure, success, type Result } from '../../music/result.ts';
import { childrenNamed, descend, parseXml, rootName } from '../xml/tree.ts';
import { decodeText } from './text-encoding.ts';

export type ArchiveProblem = 'damaged' | 'too-large' | 'no-score';

/** Fed to the inflater at a time: a piece of this size can grow a thousandfold at most before it is counted. */
const PIECE_BYTES = 16 * 1024;
const CONTAINER = 'meta-inf/container.xml';
/** What travels beside a score and cannot be one. */
const MEDIA = /\.(png|jpe?g|gif|svg|bmp|mp3|wav|ogg|flac|mid|midi|pdf|ttf|otf|woff2?)$/i;

/** A file's name as names are compared: without leading dots and slashes, escapes resolved, in small letters. */
const plainName = (name: string): string => {
  let plain = name;
  try {
    plain = decodeURIComponent(name);
  } catch {
    // A stray percent sign stands for itself.
  }
  return plain
    .replaceAll('\\', '/')
    .replace(/^(\.?\/)+/, '')
    .toLowerCase();
};

const concatenated = (chunks: readonly Uint8Array[], size: number): Uint8Array => {
  const whole = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
};

/** The files of an archive by plain name, as long as together they stay below `limit` bytes. Nothing is written anywhere. */
const filesIn = (
  bytes: Uint8Array,
  limit: number,
): Result<ReadonlyMap<string, Uint8Array>, ArchiveProblem> => {
  const files = new Map<string, Uint8Array>();
  let total = 0;
  let unfinished = 0;
  let problem: ArchiveProblem | undefined;
  const unzip = new Unzip((file) => {
    if (file.name.endsWith('/') || MEDIA.test(file.name)) return;
    const chunks: Uint8Array[] = [];
    let size = 0;
    unfinished += 1;
    file.ondata = (error, chunk, isLast) => {
      if (error) {
        problem ??= 'damaged';
        return;
      }
      size += chunk.length;
      total += chunk.length;
      if (total > limit) {
        problem ??= 'too-large';
        return;
      }
      chunks.push(chunk);
      if (!isLast) return;
      unfinished -= 1;
      files.set(plainName(file.name), concatenated(chunks, size));
    };
    if ((file.originalSize ?? 0) > limit) problem ??= 'too-large';
    else file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length && problem === undefined; at += PIECE_BYTES)
      unzip.push(bytes.subarray(at, at + PIECE_BYTES), at + PIECE_BYTES >= bytes.length);
  } catch {
    problem ??= 'damaged';
  }
  if (problem === undefined && (unfinished > 0 || files.size === 0) && !hasDirectoryEnd(bytes))
    problem = 'damaged';
  return problem === undefined ? success(files) : failure(problem);
};

/** Whether the record stands at the end that every whole archive has (PKWARE APPNOTE 4.3.16). */
const hasDirectoryEnd = (bytes: Uint8Array): boolean => {
  for (let at = bytes.length - 22; at >= Math.max(0, bytes.length - 22 - 65_535); at -= 1)
    if (bytes[at] === 0x50 && bytes[at + 1] === 0x4b && bytes[at + 2] === 5 && bytes[at + 3] === 6)
      return true;
  return false;
};

const isScore = (bytes: Uint8Array | undefined): bytes is Uint8Array => {
  const text = bytes && decodeText(bytes);
  return text !== undefined && text.ok && /^score-(partwise|timewise)$/.test(rootName(text.value) ?? '');
};

/** Names that the container gives for scores, in its order; none when it is missing or cannot be read. */
const rootfilesOf = (container: Uint8Array | undefined): readonly string[] => {
  const text = container && decodeText(container);
  const tree = text?.ok ? parseXml(text.value) : undefined;
  const list = tree?.ok ? descend(tree.value, 'rootfiles') : undefined;
  return list
    ? childrenNamed(list, 'rootfile').flatMap((each) => plainName(each.attributes['full-path'] ?? ''))
    : [];
};

/**
 * The score inside a compressed MusicXML archive: the first file that its container names and that is a score
 * (MusicXML 4.0, `container.xsd`); where the container is missing or wrong, the first file that is one. Counts while it
 * inflates, and stops as soon as all files together exceed `limit` bytes.
 */
export const scoreInArchive = (bytes: Uint8Array, limit: number): Result<Uint8Array, ArchiveProblem> => {
  const files = filesIn(bytes, limit);
  if (!files.ok) return files;
  const named = rootfilesOf(files.value.get(CONTAINER));
  const others = [...files.value.keys()].filter(
    (name) => !name.startsWith('meta-inf/') && !name.startsWith('__macosx/'),
  );
  const found = [...named, ...others].map((name) => files.value.get(name)).find(isScore);
  return found ? success(found) : failure('no-score');
};
