import { mutatedFile } from './mutate.ts';
import { tryFile } from './try-file.ts';

/** Tries the files of a range of seeds, one after the other, and tells of each to whoever started this process. */
const [from, to] = process.argv.slice(2).map(Number) as [number, number];
for (let seed = from; seed < to; seed += 1) {
  process.send!({ seed, state: 'begins' });
  try {
    process.send!({ seed, state: tryFile(mutatedFile(seed)) });
  } catch (error) {
    process.send!({
      seed,
      state: 'threw',
      error: (error as Error).stack?.split('\n').slice(0, 3).join(' | '),
    });
  }
}
