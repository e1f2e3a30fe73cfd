import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { described, digest, planOf } from './described.ts';
import { generatedXml } from './pieces.ts';

/** Plans of all studies and of 200 made-up pieces: compared with what is on record, or written down with --write. */
const GOLDEN = 'core/test/golden/plans.json';
const STUDIES = 'demo/studies';
const PIECES = 200;

const writes = process.argv.includes('--write');
/** Whole descriptions for a comparison by eye. */
const keptIn = process.argv.find((argument) => argument.startsWith('--keep='))?.slice('--keep='.length);

const studies = readdirSync(STUDIES)
  .filter((file) => file.endsWith('.musicxml'))
  .map((file) => [file, readFileSync(join(STUDIES, file), 'utf8'), 0] as const);
const generated = Array.from(
  { length: PIECES },
  (_, number) => [`generated ${number}`, generatedXml(number), number] as const,
);
const found = Object.fromEntries(
  [...studies, ...generated].map(([name, xml, number]) => {
    const text = described(planOf(xml, number));
    if (keptIn) {
      mkdirSync(keptIn, { recursive: true });
      writeFileSync(join(keptIn, `${name}.json`), text);
    }
    return [name, digest(text)];
  }),
);
if (writes) {
  writeFileSync(GOLDEN, `${JSON.stringify(found, null, 2)}\n`);
  console.log(`${Object.keys(found).length} plans written down.`);
} else {
  const known = JSON.parse(readFileSync(GOLDEN, 'utf8')) as Record<string, string>;
  const names = new Set([...Object.keys(known), ...Object.keys(found)]);
  const other = [...names].filter((name) => known[name] !== found[name]);
  console.log(`${names.size} plans compared, ${other.length} different.`);
  for (const name of other) console.log(`  ${name}`);
  if (other.length > 0) process.exitCode = 1;
}
