/** One line of music: the bars it holds and how wide each is drawn, in px. */
export interface SystemPlan {
  readonly first: number;
  readonly widths: readonly number[];
  /** The line goes on from the system before: neither clef nor key stands at its beginning. */
  readonly continues?: true;
}

/** A last line narrower than this share of the page keeps its natural width. */
const STRETCH_LAST_FROM = 0.7;

/** What bars want is an estimate: they are drawn closer by this share of the page where one more fits then. */
const SQUEEZE = 0.025;

/**
 * Breaks bars into systems, first fit, and stretches each system to the width of the page. `header` is what the
 * clef and key take at the start of every system, `firstHeader` with the time signature. A bar wider than the
 * page gets a system of its own.
 */
export const breakSystems = (
  natural: readonly number[],
  page: number,
  header: number,
  firstHeader: number,
): readonly SystemPlan[] => {
  const systems: { first: number; bars: number[] }[] = [];
  let room = 0;
  natural.forEach((width, index) => {
    const last = systems.at(-1);
    if (last && room + page * SQUEEZE >= width) {
      last.bars.push(width);
      room -= width;
      return;
    }
    systems.push({ first: index, bars: [width] });
    room = page - (index === 0 ? firstHeader : header) - width;
  });
  return systems.map(({ first, bars }, index) => {
    const head = first === 0 ? firstHeader : header;
    const total = bars.reduce((sum, width) => sum + width, 0);
    const isLast = index === systems.length - 1;
    const isShort = isLast && systems.length > 1 && total + head < page * STRETCH_LAST_FROM;
    const factor = isShort ? 1 : (page - head) / total;
    return { first, widths: bars.map((width, place) => width * factor + (place === 0 ? head : 0)) };
  });
};

/** Bars in one line without end, in pieces about so many px wide: each is drawn by itself, none has to wait for all. */
export const pieceLine = (
  natural: readonly number[],
  piece: number,
  firstHeader: number,
): readonly SystemPlan[] => {
  const pieces: { first: number; widths: number[] }[] = [];
  let width = Infinity;
  natural.forEach((wanted, index) => {
    const own = wanted + (index === 0 ? firstHeader : 0);
    if (width + own > piece) {
      pieces.push({ first: index, widths: [] });
      width = 0;
    }
    pieces.at(-1)!.widths.push(own);
    width += own;
  });
  return pieces.map((each, index) => (index === 0 ? each : { ...each, continues: true }));
};
