import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Plugin } from 'vite';

const TABLE = 'glyphs.js';
/** A line of the table: `Glyphs["name"] = "\uE000";`. */
const ENTRY = /^\s*Glyphs\["(\w+)"\] = /;

/** Names of signs that the other modules of a folder use. */
const namesUsedIn = (folder: string): ReadonlySet<string> =>
  new Set(
    readdirSync(folder)
      .filter((file) => file.endsWith('.js') && file !== TABLE)
      .flatMap((file) => [...readFileSync(join(folder, file), 'utf8').matchAll(/\bGlyphs\.(\w+)/g)])
      .map(([, name]) => name!),
  );

/** VexFlow names nearly three thousand signs of music and draws with two hundred: the others do not go to the browser. */
export const onlyUsedGlyphs = (): Plugin => ({
  name: 'only-used-glyphs',
  transform(code, id) {
    if (!id.endsWith(`/vexflow/build/esm/src/${TABLE}`)) return null;
    const used = namesUsedIn(dirname(id));
    const lines = code.split('\n');
    const kept = lines.filter((line) => {
      const name = ENTRY.exec(line)?.[1];
      return name === undefined || used.has(name);
    });
    if (kept.length === lines.length)
      this.warn('The table of glyphs looks otherwise than it did: nothing was left out.');
    return { code: kept.join('\n'), map: null };
  },
});
