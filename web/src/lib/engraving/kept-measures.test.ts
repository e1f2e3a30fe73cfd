import { describe, expect, it } from 'vitest';
import { keptMeasures } from './kept-measures.ts';

describe('kept measures', () => {
  it('ask the canvas once for each text in each font, and again when all is forgotten', () => {
    const asked: string[] = [];
    const measuring = keptMeasures({
      font: '',
      measureText(text) {
        asked.push(`${this.font} ${text}`);
        return { width: asked.length } as TextMetrics;
      },
    });
    const width = (font: string, text: string): number => {
      measuring.font = font;
      return measuring.measureText(text).width;
    };
    expect([width('30pt A', '1'), width('20pt A', '1'), width('30pt A', '2'), width('30pt A', '1')]).toEqual([
      1, 2, 3, 1,
    ]);
    measuring.forget();
    expect(width('30pt A', '1')).toBe(4);
    expect(asked).toEqual(['30pt A 1', '20pt A 1', '30pt A 2', '30pt A 1']);
  });
});
