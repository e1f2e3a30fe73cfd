import { Element } from 'vexflow/core';

/** What VexFlow asks of the canvas on which it measures. */
type Measuring = Pick<CanvasRenderingContext2D, 'font' | 'measureText'>;

/** Measures each text once in each font, until `forget` is called. */
export const keptMeasures = (canvas: Measuring): Measuring & { readonly forget: () => void } => {
  const known = new Map<string, TextMetrics>();
  return {
    font: '',
    measureText(text) {
      const key = `${this.font} ${text}`;
      let measures = known.get(key);
      if (!measures) {
        canvas.font = this.font;
        known.set(key, (measures = canvas.measureText(text)));
      }
      return measures;
    },
    forget: () => known.clear(),
  };
};

/** VexFlow measures the same few glyphs for every note; from now on it is told what they measured before. */
export const keepMeasures = (): void => {
  const canvas = document.createElement('canvas').getContext('2d');
  if (!canvas) return;
  const measuring = keptMeasures(canvas);
  // A sign of a font that has only now arrived was measured in another.
  document.fonts.addEventListener('loadingdone', measuring.forget);
  Element.setTextMeasurementCanvas({ getContext: () => measuring } as unknown as HTMLCanvasElement);
};
