import type { Page } from './test';

/** Signs closer than they may be, as `sign × sign (bar)`; half a staff space is 5 px at full size. */
export const crowdedInk = (page: Page, zoom: number): Promise<readonly string[]> =>
  page.locator('.system').evaluateAll((systems, scale) => {
    interface Box {
      readonly name: string;
      readonly left: number;
      readonly right: number;
      readonly top: number;
      readonly bottom: number;
    }
    const context = document.createElement('canvas').getContext('2d')!;
    /** What is drawn of a text: what the pointer is told of it is not. */
    const wordsOf = (text: Element): string =>
      [...text.childNodes]
        .filter(({ nodeName }) => nodeName !== 'title')
        .map(({ textContent }) => textContent)
        .join('')
        .trim();
    /** Where the ink of a text lies on the page; a line of text is taller than its letters. */
    const inkOf = (text: SVGTextElement, name: string): Box | undefined => {
      const shown = wordsOf(text);
      if (shown === '') return undefined;
      const { fontStyle, fontWeight, fontSize, fontFamily } = getComputedStyle(text);
      context.font = `${fontStyle} ${fontWeight} ${fontSize} ${fontFamily}`;
      const ink = context.measureText(shown);
      const start = text.getStartPositionOfChar(0);
      const matrix = text.getScreenCTM()!;
      const at = (x: number, y: number) => new DOMPoint(x, y).matrixTransform(matrix);
      const [one, other] = [
        at(start.x - ink.actualBoundingBoxLeft, start.y - ink.actualBoundingBoxAscent),
        at(start.x + ink.actualBoundingBoxRight, start.y + ink.actualBoundingBoxDescent),
      ];
      return { name, left: one.x, right: other.x, top: one.y, bottom: other.y };
    };
    const boxOf = (element: Element, name: string): Box => {
      const { left, right, top, bottom } = element.getBoundingClientRect();
      return { name, left, right, top, bottom };
    };
    const isNear = (a: Box, b: Box, room: number): boolean =>
      a.left - room < b.right &&
      b.left - room < a.right &&
      a.top - room < b.bottom &&
      b.top - room < a.bottom;
    const texts = (within: Element, selector: string, name: (text: SVGTextElement) => string) =>
      [...within.querySelectorAll<SVGTextElement>(selector)].flatMap((text) => inkOf(text, name(text)) ?? []);
    const half = 5 * scale;
    return systems.flatMap((system) => {
      const bar = system.getAttribute('data-first-bar');
      const signs = texts(
        system,
        '.layer text:not(.going)',
        (text) => `${text.getAttribute('class')?.split(' ')[0]} ${wordsOf(text)}`,
      );
      const glyphs = texts(system, '.engraving .vf-notehead text', () => 'head');
      const ledgers = [...system.querySelectorAll('.engraving .vf-stavenote > path')].map((path) =>
        boxOf(path, 'ledger'),
      );
      // Rests, accidentals, flags, dots, clefs, numbers of tuplets and endings.
      const others = texts(
        system,
        '.engraving text',
        (text) => `glyph ${wordsOf(text).codePointAt(0)!.toString(16)}`,
      ).filter((glyph) => !glyphs.some(({ left, top }) => left === glyph.left && top === glyph.top));
      const stems = [...system.querySelectorAll('.engraving .vf-stem path')].map((path) =>
        boxOf(path, 'stem'),
      );
      const of = (a: Box, b: Box): string => `${a.name} × ${b.name} (system of bar ${bar})`;
      return signs.flatMap((sign, index) => [
        ...signs
          .slice(index + 1)
          .filter((other) => isNear(sign, other, 0))
          .map((other) => of(sign, other)),
        ...glyphs.filter((head) => isNear(sign, head, half * 0.2)).map((head) => of(sign, head)),
        ...others.filter((glyph) => isNear(sign, glyph, 0)).map((glyph) => of(sign, glyph)),
        ...stems.filter((stem) => isNear(sign, stem, 0)).map((stem) => of(sign, stem)),
        ...ledgers.filter((ledger) => isNear(sign, ledger, 0)).map((ledger) => of(sign, ledger)),
      ]);
    });
  }, zoom);
