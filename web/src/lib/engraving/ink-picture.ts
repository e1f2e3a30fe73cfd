import type { DrawnGlyphs, DrawnWords, GatheredInk, InkKind } from './gathered-ink.ts';

const SVG = 'http://www.w3.org/2000/svg';

const make = (
  name: string,
  attributes: Readonly<Record<string, string | number | undefined>>,
  text?: string,
): SVGElement => {
  const element = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes))
    if (value !== undefined) element.setAttribute(key, String(value));
  if (text !== undefined) element.textContent = text;
  return element;
};

/** What is drawn above the engraving has signs and heads of its own. */
const classOf = (kind: InkKind): string => `ink-${kind}`;

/** A font as attributes, as far as it is not plain. */
const lettering = ({ font }: DrawnGlyphs | DrawnWords) => ({
  'font-family': font.family,
  'font-size': font.size,
  'font-weight': font.weight === 'normal' ? undefined : font.weight,
  'font-style': font.style === 'normal' ? undefined : font.style,
});

/** The picture of a system, in the colour of the text around it; sizes in px. */
export const pictureOf = (ink: GatheredInk, width: number, height: number): SVGElement => {
  const picture = make('svg', {
    width,
    height,
    viewBox: `0 0 ${width} ${height}`,
    fill: 'currentColor',
    'pointer-events': 'none',
    'aria-hidden': 'true',
  });
  picture.append(
    ...ink.lines.map(({ kind, width: lineWidth, dash, path }) =>
      make('path', {
        class: classOf(kind),
        d: path,
        fill: 'none',
        stroke: 'currentColor',
        'stroke-width': lineWidth,
        'stroke-dasharray': dash || undefined,
      }),
    ),
    ...ink.shapes.map(({ kind, path }) => make('path', { class: classOf(kind), d: path })),
    ...ink.glyphs.map((glyphs) =>
      make(
        'text',
        { class: classOf(glyphs.kind), ...lettering(glyphs), x: glyphs.xs.join(' '), y: glyphs.ys.join(' ') },
        glyphs.text,
      ),
    ),
    ...ink.words.map((words) =>
      make(
        'text',
        { class: classOf(words.kind), ...lettering(words), x: words.x, y: words.y, transform: words.turned },
        words.text,
      ),
    ),
  );
  return picture;
};
