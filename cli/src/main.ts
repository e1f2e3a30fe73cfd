import { check } from './check-command.ts';
import { drill } from './drill-command.ts';
import { marks } from './marks-command.ts';
import { plan } from './plan-command.ts';
import { practice } from './practice-command.ts';
import { right } from './right-command.ts';
import { sound } from './sound-command.ts';
import { USAGE, UsageError } from './usage.ts';
import { walk } from './walk-command.ts';

const LONGEST_REASON = 200;
const oneLine = (error: unknown): string =>
  (error instanceof Error ? error.message : String(error)).split('\n')[0]!.slice(0, LONGEST_REASON);

/** 0: done. 1: the piece could not be read or written. 2: the command itself is wrong. */
export const main = async (args: readonly string[]): Promise<0 | 1 | 2> => {
  const [command, ...rest] = args;
  try {
    if (command === undefined || command === '--help' || command === '-h' || command === 'help') {
      process.stdout.write(USAGE);
      return command === undefined ? 2 : 0;
    }
    if (command === 'plan') return await plan(rest);
    if (command === 'check') return await check(rest);
    if (command === 'right') return await right(rest);
    if (command === 'marks') return await marks(rest);
    if (command === 'walk') return await walk(rest);
    if (command === 'practice') return await practice(rest);
    if (command === 'drill') return await drill(rest);
    if (command === 'sound') return await sound(rest);
    throw new UsageError(`there is no command “${command}”`);
  } catch (error) {
    if (error instanceof UsageError) {
      process.stderr.write(`oculon: ${error.message}\n\n${USAGE}`);
      return 2;
    }
    // A fault of ours: the user gets a message that helps, never our code.
    process.stderr.write(
      `oculon: this piece could not be worked on (${oneLine(error)}). Nothing was written. Try another export of it, and tell the makers of Oculon.\n`,
    );
    return 1;
  }
};
