import { Metrics, SVGContext } from 'vexflow/core';

/** What a drawing context keeps while something is drawn inside it: two records without anything nested in them. */
interface Drawing {
  state: object;
  attributes: object;
  readonly stateStack: { readonly state: object; readonly attributes: object }[];
}

/**
 * VexFlow copies its fonts, styles and drawing states by `structuredClone`, a fifth of the time that it takes to draw a system.
 * They are flat records; here they are copied as such.
 */
export const copyFlat = (): void => {
  Metrics.getFontInfo = flatCopies(Metrics.getFontInfo.bind(Metrics));
  Metrics.getStyle = flatCopies(Metrics.getStyle.bind(Metrics));
  SVGContext.prototype.save = function (this: SVGContext) {
    const drawing = this as unknown as Drawing;
    drawing.stateStack.push({ state: { ...drawing.state }, attributes: { ...drawing.attributes } });
    return this;
  };
  SVGContext.prototype.restore = function (this: SVGContext) {
    const drawing = this as unknown as Drawing;
    const saved = drawing.stateStack.pop();
    if (saved) Object.assign(drawing, { state: { ...saved.state }, attributes: { ...saved.attributes } });
    return this;
  };
};

const flatCopies = <T extends object>(find: (key: string) => T): ((key: string) => T) => {
  const found = new Map<string, T>();
  return (key) => {
    let known = found.get(key);
    if (!known) found.set(key, (known = find(key)));
    return { ...known };
  };
};
