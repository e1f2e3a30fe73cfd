/** Whether an element is in or near the window. */
export interface Nearness {
  readonly isNear: () => boolean;
  readonly close: () => void;
}

/**
 * Watches whether an element is within some px of the window. The browser tells it once a frame, when the page has been laid out
 * anyway; only before the first frame it is measured, which lays the page out at once.
 */
export const nearness = (element: Element, margin: number): Nearness => {
  let known: boolean | undefined;
  const observer = new IntersectionObserver(
    (entries) => {
      known = entries.at(-1)!.isIntersecting;
    },
    { rootMargin: `${margin}px`, scrollMargin: `${margin}px` },
  );
  observer.observe(element);
  const measured = (): boolean => {
    const { top, bottom, left, right } = element.getBoundingClientRect();
    return bottom > -margin && top < innerHeight + margin && right > -margin && left < innerWidth + margin;
  };
  return { isNear: () => known ?? measured(), close: () => observer.disconnect() };
};
