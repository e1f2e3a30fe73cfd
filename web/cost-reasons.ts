import type { Plugin } from 'vite';

/** Files of the core that hold costs with their units and reasons. */
const COSTS = /\/core\/src\/.*\/costs\.ts$/;

const TEXT = String.raw`'(?:[^'\\]|\\.)*'|"(?:[^"\\]|\\.)*"`;
const RULE = new RegExp(String.raw`\brule\(\s*([-\d.]+),\s*(?:${TEXT}),\s*(?:${TEXT}),?\s*\)`, 'g');

/** A file of costs without the units and reasons of its rules. */
export const withoutReasons = (code: string): string => code.replaceAll(RULE, `rule($1, '', '')`);

/** Leaves the units and reasons of costs out of what goes to the browser: they are for those who read the code. */
export const withoutCostReasons = (): Plugin => ({
  name: 'without-cost-reasons',
  apply: 'build',
  enforce: 'pre',
  transform: {
    filter: { id: COSTS },
    handler: (code) => ({ code: withoutReasons(code), map: null }),
  },
});
