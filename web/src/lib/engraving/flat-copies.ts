import { Font, Metrics } from 'vexflow/core';

/**
 * VexFlow copies its fonts and styles by `structuredClone`, and has the browser read the names of fonts, for every sign that it
 * draws. They are flat records; here they are found once and copied as such.
 */
export const copyFlat = (): void => {
  Metrics.getFontInfo = flatCopies(Metrics.getFontInfo.bind(Metrics));
  Metrics.getStyle = flatCopies(Metrics.getStyle.bind(Metrics));
  Font.fromCSSString = flatCopies(Font.fromCSSString.bind(Font));
};

const flatCopies = <T extends object>(find: (key: string) => T): ((key: string) => T) => {
  const found = new Map<string, T>();
  return (key) => {
    let known = found.get(key);
    if (!known) found.set(key, (known = find(key)));
    return { ...known };
  };
};
