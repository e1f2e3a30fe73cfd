import { Element, Font, RenderContext, type FontInfo, type TextMeasure } from 'vexflow/core';

/** What ink belongs to: `bow` is a beam or a tie, and all else, from clefs to accidentals, is a sign. */
export type InkKind = 'staff' | 'stem' | 'ledger' | 'head' | 'bow' | 'sign';

/** Lines of one kind and width, whichever notes they belong to. */
export interface DrawnLines {
  readonly kind: InkKind;
  readonly width: number;
  readonly dash: string;
  path: string;
}

/** Glyphs of one kind and size, each at its own place. */
export interface DrawnGlyphs {
  readonly kind: InkKind;
  readonly font: Required<FontInfo>;
  text: string;
  readonly xs: number[];
  readonly ys: number[];
}

/** Words, and glyphs in a row, that stand where their first one stands. */
export interface DrawnWords {
  readonly kind: InkKind;
  readonly font: Required<FontInfo>;
  readonly text: string;
  readonly x: number;
  readonly y: number;
  /** How all of it is turned, as an SVG transform. */
  readonly turned: string | undefined;
}

/** Kinds by the name of VexFlow's innermost group. */
const KINDS: Readonly<Record<string, InkKind>> = {
  stave: 'staff',
  stavebarline: 'staff',
  stem: 'stem',
  notehead: 'head',
  beam: 'bow',
  stavetie: 'bow',
};

interface Pen {
  lineWidth: number;
  dash: string;
  font: Required<FontInfo>;
}

const round = (value: number): number => Math.round(value * 1000) / 1000;

/**
 * What VexFlow draws of a system, gathered: its own drawing has two elements for each head, stem and ledger line, and a browser
 * spends longer on these than VexFlow on the engraving. Here all lines of one width are one path and all heads one text. Ink has
 * one colour; which one the page says.
 */
export class GatheredInk extends RenderContext {
  readonly #lines = new Map<string, DrawnLines>();
  readonly #glyphs = new Map<string, DrawnGlyphs>();
  readonly words: DrawnWords[] = [];
  /** Filled shapes stay apart: two in one path that cross would cut a hole into each other. */
  readonly shapes: { readonly kind: InkKind; readonly path: string }[] = [];

  #pen: Pen = { lineWidth: 1, dash: '', font: Font.validate() };
  readonly #pens: Pen[] = [];
  readonly #groups: string[] = [];
  #path = '';
  #turned: string | undefined;
  fillStyle = '';
  strokeStyle = '';

  get lines(): readonly DrawnLines[] {
    return [...this.#lines.values()];
  }
  get glyphs(): readonly DrawnGlyphs[] {
    return [...this.#glyphs.values()];
  }

  clear(): void {
    this.#lines.clear();
    this.#glyphs.clear();
    this.words.length = 0;
    this.shapes.length = 0;
  }

  save(): this {
    this.#pens.push({ ...this.#pen });
    return this;
  }
  restore(): this {
    this.#pen = this.#pens.pop() ?? this.#pen;
    return this;
  }
  setLineWidth(width: number): this {
    this.#pen.lineWidth = width;
    return this;
  }
  setLineDash(pattern: number[]): this {
    this.#pen.dash = pattern.join();
    return this;
  }
  setFont(font?: string | FontInfo, size?: string | number, weight?: string | number, style?: string): this {
    this.#pen.font = Font.validate(font, size, weight, style);
    return this;
  }
  getFont(): string {
    return Font.toCSSString(this.#pen.font);
  }
  measureText(text: string): TextMeasure {
    const measured = new Element();
    measured.setText(text).setFont(this.#pen.font);
    const { x, y, w: width, h: height } = measured.getBoundingBox();
    return { x, y, width, height };
  }

  openGroup(name = ''): void {
    this.#groups.push(name);
  }
  closeGroup(): void {
    this.#groups.pop();
  }
  openRotation(degrees: number, x: number, y: number): void {
    this.#turned = `rotate(${degrees} ${round(x)} ${round(y)})`;
  }
  closeRotation(): void {
    this.#turned = undefined;
  }

  beginPath(): this {
    this.#path = '';
    return this;
  }
  moveTo(x: number, y: number): this {
    return this.#go('M', x, y);
  }
  lineTo(x: number, y: number): this {
    return this.#go('L', x, y);
  }
  quadraticCurveTo(...points: [x1: number, y1: number, x: number, y: number]): this {
    return this.#go('Q', ...points);
  }
  bezierCurveTo(...points: [x1: number, y1: number, x2: number, y2: number, x: number, y: number]): this {
    return this.#go('C', ...points);
  }
  /** VexFlow draws whole circles only. */
  arc(x: number, y: number, radius: number): this {
    const size = `${round(radius)} ${round(radius)}`;
    this.#go('M', x + radius, y);
    this.#path += `A${size} 0 0 1 ${round(x - radius)} ${round(y)}A${size} 0 0 1 ${round(x + radius)} ${round(y)}`;
    return this;
  }
  closePath(): this {
    this.#path += 'Z';
    return this;
  }
  #go(letter: string, ...points: number[]): this {
    this.#path += letter;
    for (const [index, point] of points.entries())
      this.#path += index === 0 ? round(point) : ` ${round(point)}`;
    return this;
  }

  stroke(): this {
    // Of what a note draws by itself only its ledger lines are lines.
    const kind = this.#groups.at(-1) === 'stavenote' ? 'ledger' : this.#kind();
    const { lineWidth: width, dash } = this.#pen;
    const key = `${kind} ${width} ${dash}`;
    const known = this.#lines.get(key);
    if (known) known.path += this.#path;
    else this.#lines.set(key, { kind, width, dash, path: this.#path });
    return this;
  }
  fill(): this {
    this.shapes.push({ kind: this.#kind(), path: this.#path });
    return this;
  }
  fillRect(x: number, y: number, width: number, height: number): this {
    const [right, bottom] = [x + width, y + height];
    return this.beginPath()
      .moveTo(x, y)
      .lineTo(right, y)
      .lineTo(right, bottom)
      .lineTo(x, bottom)
      .closePath()
      .fill();
  }
  fillText(text: string, x: number, y: number): this {
    if (!text.trim()) return this;
    const { font } = this.#pen;
    const kind = this.#kind();
    const [left, base] = [round(x), round(y)];
    if (text.length > 1 || this.#turned) {
      this.words.push({ kind, font, text, x: left, y: base, turned: this.#turned });
      return this;
    }
    const key = `${kind} ${this.getFont()}`;
    let glyphs = this.#glyphs.get(key);
    if (!glyphs) this.#glyphs.set(key, (glyphs = { kind, font, text: '', xs: [], ys: [] }));
    glyphs.text += text;
    glyphs.xs.push(left);
    glyphs.ys.push(base);
    return this;
  }
  #kind(): InkKind {
    return KINDS[this.#groups.at(-1) ?? ''] ?? 'sign';
  }

  // What has no meaning here: ink has one colour and no shadow, nothing is rubbed out, and the caller gives the size.
  setFillStyle = (): this => this;
  setStrokeStyle = (): this => this;
  setBackgroundFillStyle = (): this => this;
  setShadowColor = (): this => this;
  setShadowBlur = (): this => this;
  setLineCap = (): this => this;
  scale = (): this => this;
  resize = (): this => this;
  rect = (): this => this;
  clearRect = (): this => this;
  /** VexFlow's own pointer areas catch clicks wrongly; the layer above has its own. */
  pointerRect = (): this => this;
  add = (): void => undefined;
}
