import type { Page } from './test';

/**
 * Signs closer than half a staff space, 5 px at full size, to another sign, a notehead, an accidental, a ledger line, a stem, a
 * beam or a tie, as `sign × sign (bar)`: digits, strings, letters and words, and the lines of guides, slurs, brackets, endings and
 * slides. Digits of one chord stand each beside its head, which may be a third from the next, and the dash of a guide belongs to its
 * digit: they only may not touch.
 */
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
    /** A line as boxes no larger than a point, near enough to each other that nothing fits between. */
    const pointsOf = (path: SVGPathElement, name: string): readonly Box[] => {
      const matrix = path.getScreenCTM()!;
      const steps = Math.ceil(path.getTotalLength() / 1.5);
      return Array.from({ length: steps + 1 }, (_, step) => {
        const { x, y } = path
          .getPointAtLength((step / steps) * path.getTotalLength())
          .matrixTransform(matrix);
        return { name, left: x, right: x, top: y, bottom: y };
      });
    };
    const isNear = (a: Box, b: Box, room: number): boolean =>
      a.left - room < b.right &&
      b.left - room < a.right &&
      a.top - room < b.bottom &&
      b.top - room < a.bottom;
    const texts = (within: Element, selector: string, name: (text: SVGTextElement) => string) =>
      [...within.querySelectorAll<SVGTextElement>(selector)].flatMap((text) => inkOf(text, name(text)) ?? []);
    const firstClass = (element: Element): string => element.getAttribute('class')!.split(' ')[0]!;
    // The last twentieth of a space is for rounding.
    const half = 4.75 * scale;
    const isColumn = (a: Box, b: Box): boolean =>
      a.name.startsWith('finger') &&
      b.name.startsWith('finger') &&
      Math.abs((a.left + a.right - b.left - b.right) / 2) < half * 2;
    return systems.flatMap((system) => {
      const bar = system.getAttribute('data-first-bar');
      const signs = texts(
        system,
        '.layer text:not(.going)',
        (text) => `${firstClass(text)} ${wordsOf(text)}`,
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
      const bows = [
        ...system.querySelectorAll<SVGPathElement>(
          '.engraving .vf-beam > path, .engraving .vf-stavetie > path',
        ),
      ].map((path) => pointsOf(path, path.parentElement!.getAttribute('class')!));
      const lines = [...system.querySelectorAll<SVGPathElement>('.layer path')].map((path) =>
        pointsOf(path, firstClass(path)),
      );
      const engraved = [...glyphs, ...others, ...stems, ...ledgers];
      const of = (a: Box, b: Box): string => `${a.name} × ${b.name} (system of bar ${bar})`;
      return [
        ...signs.flatMap((sign, index) => [
          ...signs
            .slice(index + 1)
            .filter((other) => isNear(sign, other, isColumn(sign, other) ? 0 : half))
            .map((other) => of(sign, other)),
          ...engraved.filter((other) => isNear(sign, other, half)).map((other) => of(sign, other)),
          ...[...bows, ...lines]
            .filter((points) => {
              const isDash = points[0]!.name === 'guide' && sign.name.startsWith('finger');
              return points.some((point) => isNear(sign, point, isDash ? 0 : half));
            })
            .map((points) => of(sign, points[0]!)),
        ]),
        ...lines.flatMap((points) =>
          engraved
            .filter((other) => points.some((point) => isNear(other, point, half)))
            .map((other) => of(points[0]!, other)),
        ),
      ];
    });
  }, zoom);
