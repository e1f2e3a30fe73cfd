import type { DrawnGlyphs, DrawnWords, GatheredInk } from './gathered-ink.ts';

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

/** A font as attributes; what everything has is written at the picture. */
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
    // Each glyph stands where it was put.
    style: 'font-variant-ligatures: none; font-kerning: none',
  });
  picture.append(
    ...ink.lines.map(({ kind, width: lineWidth, dash, path }) =>
      make('path', {
        class: kind,
        d: path,
        fill: 'none',
        stroke: 'currentColor',
        'stroke-width': lineWidth,
        'stroke-dasharray': dash || undefined,
      }),
    ),
    ...ink.shapes.map(({ kind, path }) => make('path', { class: kind, d: path })),
    ...ink.glyphs.map((glyphs) =>
      make(
        'text',
        { class: glyphs.kind, ...lettering(glyphs), x: glyphs.xs.join(' '), y: glyphs.ys.join(' ') },
        glyphs.text,
      ),
    ),
    ...ink.words.map((words) =>
      make(
        'text',
        { class: words.kind, ...lettering(words), x: words.x, y: words.y, transform: words.turned },
        words.text,
      ),
    ),
  );
  return picture;
};
