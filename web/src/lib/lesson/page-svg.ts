const SVG = 'http://www.w3.org/2000/svg';

/** Properties that a drawing takes from style sheets, which a file of its own does not have. */
const PAINTED = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linejoin',
  'paint-order',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'text-anchor',
  'opacity',
] as const;

/** The blocks of each page, as the preview parts them. */
const pagesOf = (paper: HTMLElement): readonly (readonly HTMLElement[])[] => {
  const pages: HTMLElement[][] = [[]];
  for (const block of paper.querySelectorAll<HTMLElement>('[data-block]')) {
    if (block.classList.contains('page-start')) pages.push([]);
    pages.at(-1)!.push(block);
  }
  return pages;
};

const make = (name: string, attributes: Readonly<Record<string, string | number>>): SVGElement => {
  const element = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) element.setAttribute(key, String(value));
  return element;
};

/** Copies a drawing with its styles written into it; what only serves the pointer stays away. */
const copyDrawing = (drawing: SVGSVGElement, left: number, top: number): SVGElement => {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const [own, copied] = [drawing, copy].map((each) => [...each.querySelectorAll<SVGElement>('*')]) as [
    SVGElement[],
    SVGElement[],
  ];
  own.forEach((element, index) => {
    const style = getComputedStyle(element);
    const target = copied[index]!;
    for (const name of PAINTED) target.setAttribute(name, style.getPropertyValue(name));
    target.removeAttribute('class');
    target.removeAttribute('id');
  });
  own.forEach((element, index) => {
    const { fill, stroke } = getComputedStyle(element);
    const isUnseen = [fill, stroke].every((paint) => paint === 'none' || paint === 'rgba(0, 0, 0, 0)');
    if (element.tagName === 'title' || (element.childElementCount === 0 && isUnseen)) copied[index]!.remove();
  });
  copied
    .filter((each) => each.tagName === 'rect' && !each.hasAttribute('width'))
    .forEach((each) => each.remove());
  const box = drawing.getBoundingClientRect();
  const view = drawing.viewBox.baseVal;
  const size =
    view && view.width > 0 ? [view.x, view.y, view.width, view.height] : [0, 0, box.width, box.height];
  for (const { name } of [...copy.attributes])
    if (!/^(fill|stroke|font)/.test(name)) copy.removeAttribute(name);
  copy.removeAttribute('style');
  for (const [name, value] of Object.entries({
    x: box.left - left,
    y: box.top - top,
    width: box.width,
    height: box.height,
    viewBox: size.join(' '),
    overflow: 'visible',
    color: getComputedStyle(drawing).color,
  }))
    copy.setAttribute(name, String(value));
  return copy;
};

let measure: CanvasRenderingContext2D | null | undefined;
/** How far a font reaches above its line, in px: that is where the box of a text begins. */
const ascentOf = (style: CSSStyleDeclaration): number => {
  measure ??= document.createElement('canvas').getContext('2d');
  if (!measure) return parseFloat(style.fontSize) * 0.8;
  measure.font = `${style.fontStyle} ${style.fontWeight} ${style.fontSize} ${style.fontFamily}`;
  return measure.measureText('x').fontBoundingBoxAscent;
};

/** The words of a text where the page has them, those of a line together. */
const copyText = (text: Text, left: number, top: number): readonly SVGElement[] => {
  const style = getComputedStyle(text.parentElement!);
  const lines = new Map<number, { x: number; words: string[] }>();
  for (const { 0: word, index } of text.data.matchAll(/\S+/g)) {
    const range = document.createRange();
    range.setStart(text, index);
    range.setEnd(text, index + word.length);
    const [box] = range.getClientRects();
    if (!box) continue;
    const key = Math.round(box.top);
    const line = lines.get(key) ?? { x: box.left, words: [] };
    line.words.push(word);
    lines.set(key, line);
  }
  // Zoomed print is measured zoomed; its font size is not.
  const zoom = text.parentElement!.currentCSSZoom ?? 1;
  return [...lines].map(([y, { x, words }]) => {
    const line = make('text', {
      x: x - left,
      y: y - top + ascentOf(style) * zoom,
      'font-family': style.fontFamily,
      'font-size': parseFloat(style.fontSize) * zoom,
      'font-weight': style.fontWeight,
      'font-style': style.fontStyle,
      fill: style.color,
    });
    line.textContent = words.join(' ');
    return line;
  });
};

const copyPicture = (picture: HTMLImageElement, left: number, top: number): SVGElement => {
  const { left: x, top: y, width, height } = picture.getBoundingClientRect();
  return make('image', { x: x - left, y: y - top, width, height, href: picture.src });
};

const copyFrame = (element: Element, left: number, top: number): readonly SVGElement[] => {
  const style = getComputedStyle(element);
  const width = parseFloat(style.borderTopWidth);
  // The line between two pages is the preview's.
  if (!(width > 0) || style.borderTopStyle !== 'solid') return [];
  const box = element.getBoundingClientRect();
  return [
    make('rect', {
      x: box.left - left + width / 2,
      y: box.top - top + width / 2,
      width: box.width - width,
      height: box.height - width,
      fill: 'none',
      stroke: style.borderTopColor,
      'stroke-width': width,
    }),
  ];
};

const copyBlock = (block: HTMLElement, left: number, top: number): readonly SVGElement[] => {
  const copies: SVGElement[] = [];
  const visit = (node: Node): void => {
    if (node instanceof Text) {
      if (node.data.trim() !== '') copies.push(...copyText(node, left, top));
    } else if (node instanceof SVGSVGElement) copies.push(copyDrawing(node, left, top));
    else if (node instanceof HTMLImageElement) copies.push(copyPicture(node, left, top));
    else if (node instanceof HTMLElement && !node.classList.contains('print:hidden')) {
      copies.push(...copyFrame(node, left, top));
      node.childNodes.forEach(visit);
    }
  };
  visit(block);
  return copies;
};

/** The space above a block that only the preview has. */
const spaceAbove = (block: HTMLElement): number =>
  block.classList.contains('page-start') ? parseFloat(getComputedStyle(block).paddingTop) : 0;

const asDataAddress = async (address: string): Promise<string> => {
  const blob = await (await fetch(address)).blob();
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('a font cannot be read'));
    reader.readAsDataURL(blob);
  });
};

/** The rules of the fonts that texts use, with the fonts in them: a file stands for itself. */
const fontRules = async (used: string, characters: string): Promise<string> => {
  const rules = [...document.styleSheets].flatMap((sheet) => {
    try {
      return [...sheet.cssRules].filter((rule) => rule instanceof CSSFontFaceRule);
    } catch {
      return [];
    }
  });
  const wanted = rules.filter(({ style }) => {
    const family = style.getPropertyValue('font-family').replaceAll(/["']/g, '');
    const range = style.getPropertyValue('unicode-range');
    return used.includes(family) && (range === '' || coversAny(range, characters));
  });
  const written = await Promise.all(
    wanted.map(async (rule) => {
      const address = /url\(["']?([^"')]+)["']?\)/.exec(rule.style.getPropertyValue('src'))?.[1];
      if (!address) return '';
      const base = rule.parentStyleSheet?.href ?? location.href;
      const data = await asDataAddress(new URL(address, base).href);
      const { style } = rule;
      const property = (name: string) => {
        const value = style.getPropertyValue(name);
        return value ? `${name}:${value};` : '';
      };
      return `@font-face{${['font-family', 'font-weight', 'font-style', 'unicode-range'].map(property).join('')}src:url(${data});}`;
    }),
  );
  return written.join('\n');
};

/** Whether a `unicode-range` covers any of some characters. */
export const coversAny = (range: string, characters: string): boolean => {
  const points = [...characters].map((character) => character.codePointAt(0)!);
  return range.split(',').some((part) => {
    const [from, to] = part.trim().replace(/^U\+/i, '').split('-');
    const first = parseInt(from!.replaceAll('?', '0'), 16);
    const last = parseInt(to ?? from!.replaceAll('?', 'F'), 16);
    return points.some((point) => point >= first && point <= last);
  });
};

/** Each page of a lesson sheet as an SVG file that stands for itself, as large as the margins leave it. */
export const pagesAsSvg = async (
  paper: HTMLElement,
  { width, height }: { readonly width: number; readonly height: number },
): Promise<readonly string[]> => {
  const { left } = paper.querySelector('[data-block]')!.getBoundingClientRect();
  const drawn = pagesOf(paper).map((blocks) => {
    const page = make('svg', {
      xmlns: SVG,
      width,
      height,
      viewBox: `0 0 ${width} ${height}`,
      color: 'black',
    });
    page.append(make('rect', { width, height, fill: 'white' }));
    const [first] = blocks;
    const top = first ? first.getBoundingClientRect().top + spaceAbove(first) : 0;
    for (const block of blocks) page.append(...copyBlock(block, left, top));
    return page;
  });
  const families = new Set<string>();
  for (const page of drawn)
    for (const each of page.querySelectorAll('[font-family]'))
      families.add(each.getAttribute('font-family')!);
  const rules = await fontRules([...families].join(), drawn.map(({ textContent }) => textContent).join(''));
  return drawn.map((page) => {
    const style = make('style', {});
    style.textContent = rules;
    page.prepend(style);
    return new XMLSerializer().serializeToString(page);
  });
};
