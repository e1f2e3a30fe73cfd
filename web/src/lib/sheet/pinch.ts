interface Zoomed {
  readonly zoom: () => number;
  readonly onzoom: (zoom: number) => void;
}

/** Quiet after which a new size is laid out, in ms: laying out for each movement of the fingers would stutter. */
const SETTLE = 60;
/** How much a notch of the wheel zooms. */
const PER_PIXEL = 0.0022;

/** Zooms by two fingers, and by the wheel with Ctrl, which is also what a touchpad sends for two fingers. */
export const pinch =
  ({ zoom, onzoom }: Zoomed) =>
  (element: HTMLElement): (() => void) => {
    const fingers = new Map<number, PointerEvent>();
    let start: { readonly distance: number; readonly zoom: number } | undefined;
    let wanted: number | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const settle = (to: number): void => {
      wanted = to;
      timer ??= setTimeout(() => {
        timer = undefined;
        if (wanted !== undefined) onzoom(wanted);
        wanted = undefined;
      }, SETTLE);
    };
    const distance = (): number => {
      const [one, other] = [...fingers.values()];
      return one && other ? Math.hypot(one.clientX - other.clientX, one.clientY - other.clientY) : 0;
    };
    const down = (event: PointerEvent): void => {
      if (event.pointerType !== 'touch') return;
      fingers.set(event.pointerId, event);
      if (fingers.size === 2) start = { distance: Math.max(1, distance()), zoom: zoom() };
    };
    const move = (event: PointerEvent): void => {
      if (!fingers.has(event.pointerId)) return;
      fingers.set(event.pointerId, event);
      if (start && fingers.size === 2) settle(start.zoom * (distance() / start.distance));
    };
    const up = (event: PointerEvent): void => {
      fingers.delete(event.pointerId);
      if (fingers.size < 2) start = undefined;
    };
    const wheel = (event: WheelEvent): void => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      settle((wanted ?? zoom()) * Math.exp(-event.deltaY * PER_PIXEL));
    };
    const listening = new AbortController();
    const { signal } = listening;
    element.addEventListener('pointerdown', down, { signal });
    element.addEventListener('pointermove', move, { signal });
    element.addEventListener('pointerup', up, { signal });
    element.addEventListener('pointercancel', up, { signal });
    element.addEventListener('wheel', wheel, { signal, passive: false });
    return () => {
      listening.abort();
      clearTimeout(timer);
    };
  };
