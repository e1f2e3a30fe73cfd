import { failure, success, type Result } from '@oculon/core';
import { strFromU8, strToU8, unzip, zip, type AsyncZippable } from 'fflate';
import { archiveSchema } from './archive-schema.ts';
import type { Collected } from './collect.ts';

const CONTENTS = 'archive.json';
/** Largest archive that is taken, packed and unpacked, in bytes. */
export const MAX_ARCHIVE_BYTES = 48 * 1024 * 1024;
const MAX_UNPACKED_BYTES = 400 * 1024 * 1024;

/** One file with everything in it; packed in threads, so that nobody else waits. */
export const pack = ({ archive, files }: Collected): Promise<Uint8Array> => {
  const parts: AsyncZippable = { [CONTENTS]: strToU8(JSON.stringify(archive)) };
  for (const [name, content] of files) parts[name] = new Uint8Array(content);
  return new Promise((resolve, reject) => {
    zip(parts, { level: 6 }, (error, data) => (error ? reject(error) : resolve(data)));
  });
};

const isJson = (bytes: Uint8Array | undefined): boolean => {
  if (!bytes) return false;
  try {
    JSON.parse(strFromU8(bytes));
    return true;
  } catch {
    return false;
  }
};

const NO_ARCHIVE = 'This file is no archive of Oculon. Choose one that was saved under “Account”.';

/** What is in an archive, or why it cannot be taken, as it is said. */
export const unpack = async (bytes: Uint8Array): Promise<Result<Collected, string>> => {
  let total = 0;
  const files = await new Promise<Record<string, Uint8Array> | undefined>((resolve) => {
    unzip(
      bytes,
      {
        filter: ({ name, originalSize }) => {
          total += originalSize;
          return total <= MAX_UNPACKED_BYTES && (name === CONTENTS || /^(sources|sheets)\/\d+$/.test(name));
        },
      },
      (error, data) => resolve(error ? undefined : data),
    );
  });
  if (total > MAX_UNPACKED_BYTES) return failure('The archive holds more than can be taken at once.');
  const contents = files?.[CONTENTS];
  if (!files || !contents) return failure(NO_ARCHIVE);
  let json: unknown;
  try {
    json = JSON.parse(strFromU8(contents));
  } catch {
    return failure(NO_ARCHIVE);
  }
  const archive = archiveSchema.safeParse(json);
  if (!archive.success) {
    const { path } = archive.error.issues[0]!;
    return failure(`${NO_ARCHIVE} It was changed or is of a newer Oculon: ${path.map(String).join('.')}.`);
  }
  const missing = archive.data.pieces.find(({ source, earlierSources }) =>
    [source, ...earlierSources].some(({ file }) => files[file] === undefined),
  );
  if (missing) return failure(`The file of “${missing.title}” is missing in the archive.`);
  const without = archive.data.courses
    .flatMap(({ goals }) => goals)
    .find(({ sheets }) => !isJson(files[sheets]));
  if (without) return failure(`The music of a practice plan is missing in the archive: ${without.sheets}.`);
  return success({ archive: archive.data, files: new Map(Object.entries(files)) });
};
