/** Names by what a browser says of itself, the most telling first: many claim to be several. */
const BROWSERS = [
  [/Edg\//, 'Edge'],
  [/OPR\//, 'Opera'],
  [/Firefox\//, 'Firefox'],
  [/Chrome\//, 'Chrome'],
  [/Safari\//, 'Safari'],
] as const;
const SYSTEMS = [
  [/Android/, 'Android'],
  [/iPhone|iPad/, 'iOS'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'macOS'],
  [/Linux/, 'Linux'],
] as const;

const nameIn = (names: readonly (readonly [RegExp, string])[], text: string): string | undefined =>
  names.find(([pattern]) => pattern.test(text))?.[1];

/** A browser as a person knows it: `Firefox on Linux`. */
export const browserName = (userAgent: string): string => {
  const [browser, system] = [nameIn(BROWSERS, userAgent), nameIn(SYSTEMS, userAgent)];
  if (!browser) return system ? `A program on ${system}` : 'A program';
  return system ? `${browser} on ${system}` : browser;
};
