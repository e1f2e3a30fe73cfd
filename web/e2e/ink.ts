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
    /** Where the ink of words lies on the page that begin with a letter of a text; a line of text is taller than its letters. */
    const inkFrom = (text: SVGTextElement, letter: number, words: string, name: string): Box => {
      const { fontStyle, fontWeight, fontSize, fontFamily } = getComputedStyle(text);
      context.font = `${fontStyle} ${fontWeight} ${fontSize} ${fontFamily}`;
      const ink = context.measureText(words);
      const start = text.getStartPositionOfChar(letter);
      const matrix = text.getScreenCTM()!;
      const at = (x: number, y: number) => new DOMPoint(x, y).matrixTransform(matrix);
      const [one, other] = [
        at(start.x - ink.actualBoundingBoxLeft, start.y - ink.actualBoundingBoxAscent),
        at(start.x + ink.actualBoundingBoxRight, start.y + ink.actualBoundingBoxDescent),
      ];
      return { name, left: one.x, right: other.x, top: one.y, bottom: other.y };
    };
    /** A text of glyphs has a place for each of them. */
    const isScattered = (text: SVGTextElement): boolean => text.x.baseVal.length > 1;
    const inkOf = (text: SVGTextElement, name: (words: string) => string): readonly Box[] => {
      const shown = wordsOf(text);
      if (isScattered(text)) return [...shown].map((glyph, at) => inkFrom(text, at, glyph, name(glyph)));
      return shown === '' ? [] : [inkFrom(text, 0, shown, name(shown))];
    };
    /** The boxes of straight lines that one path draws. */
    const linesOf = (path: SVGPathElement, name: string): readonly Box[] => {
      const matrix = path.getScreenCTM()!;
      const around = parseFloat(getComputedStyle(path).strokeWidth) / 2;
      const drawn = path.getAttribute('d')!.matchAll(/M([-\d.]+) ([-\d.]+)L([-\d.]+) ([-\d.]+)/g);
      return [...drawn].map(([, ...ends]) => {
        const [x1, y1, x2, y2] = ends.map(Number) as [number, number, number, number];
        const [one, other] = [
          new DOMPoint(Math.min(x1, x2) - around, Math.min(y1, y2) - around).matrixTransform(matrix),
          new DOMPoint(Math.max(x1, x2) + around, Math.max(y1, y2) + around).matrixTransform(matrix),
        ];
        return { name, left: one.x, right: other.x, top: one.y, bottom: other.y };
      });
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
    const texts = (
      within: Element,
      selector: string,
      name: (words: string, text: SVGTextElement) => string,
    ): readonly Box[] =>
      [...within.querySelectorAll<SVGTextElement>(selector)].flatMap((text) =>
        inkOf(text, (words) => name(words, text)),
      );
    const firstClass = (element: Element): string => element.getAttribute('class')!.split(' ')[0]!;
    // The last twentieth of a space is for rounding.
    const half = 4.75 * scale;
    const isColumn = (a: Box, b: Box): boolean =>
      a.name.startsWith('finger') &&
      b.name.startsWith('finger') &&
      Math.abs((a.left + a.right - b.left - b.right) / 2) < half * 2;
    return systems.flatMap((system) => {
      const bar = system.getAttribute('data-first-bar');
      const signs = texts(system, '.layer text:not(.going)', (words, text) => `${firstClass(text)} ${words}`);
      const glyphs = texts(system, '.engraving text.ink-head', () => 'head');
      if (glyphs.length === 0) throw new Error(`no notehead is found in the system of bar ${bar}`);
      // Rests, accidentals, flags, dots, clefs, numbers of tuplets and endings.
      const others = texts(
        system,
        '.engraving text:not(.ink-head)',
        (glyph) => `glyph ${glyph.codePointAt(0)!.toString(16)}`,
      );
      const [ledgers, stems] = (['ledger', 'stem'] as const).map((kind) =>
        [...system.querySelectorAll<SVGPathElement>(`.engraving path.ink-${kind}`)].flatMap((path) =>
          linesOf(path, kind),
        ),
      ) as [readonly Box[], readonly Box[]];
      const bows = [...system.querySelectorAll<SVGPathElement>('.engraving path.ink-bow')].map((path) =>
        pointsOf(path, 'beam or tie'),
      );
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
