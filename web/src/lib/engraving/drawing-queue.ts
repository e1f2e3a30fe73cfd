/** Gives the page back to the teacher for a moment. */
export const nextTask = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Waits until the page has nothing else to do, or for a moment where it never has. */
export const whenIdle = (): Promise<void> =>
  new Promise((resolve) => {
    if ('requestIdleCallback' in globalThis) requestIdleCallback(() => resolve(), { timeout: 400 });
    else setTimeout(resolve, 40);
  });

/** Longest stretch of drawing before the page may answer, in ms: well under the 50 that are felt as a halt. */
const STRETCH = 12;

/** The same where all of the music is waited for: each breath lets the page be laid out and painted once more. */
const HURRIED_STRETCH = 80;

/** Asks the page to breathe once a stretch of work has lasted long enough. */
export type Breathe = () => Promise<void>;
export const breather = (stretch = STRETCH): Breathe => {
  let started = performance.now();
  return async () => {
    if (performance.now() - started < stretch) return;
    await nextTask();
    started = performance.now();
  };
};

export interface DrawingJob {
  readonly isNear: () => boolean;
  /** Whether it belongs to a system that is drawn already: it comes after the systems near the window. */
  readonly isAddition?: boolean;
  readonly draw: (breathe: Breathe) => Promise<void>;
  /** Told when drawing threw. */
  readonly failed: (error: unknown) => void;
}

/**
 * Draws systems one after the other: those near the window at once, whatever has been scrolled to first; the
 * others when the page has nothing else to do.
 */
export class DrawingQueue {
  private readonly waiting = new Set<DrawingJob>();
  private running = false;
  private hurried = false;
  private readonly breatheInHurry = breather(HURRIED_STRETCH);

  /** `oncaughtup` is told when all systems near the window have been drawn. */
  constructor(private readonly oncaughtup: () => void = () => {}) {}

  /** Adds a job; the answer takes it out again. */
  add(job: DrawingJob): () => void {
    this.waiting.add(job);
    void this.run();
    return () => this.waiting.delete(job);
  }

  /** From now on nothing waits for an idle moment, and what is far away is drawn several at a time; for printing. */
  hurry(): void {
    this.hurried = true;
  }

  private async run(): Promise<void> {
    if (this.running) return;
    this.running = true;
    await nextTask();
    while (this.waiting.size > 0) {
      const near = this.near();
      if (!near && !this.hurried) {
        await whenIdle();
        if (this.near()) continue;
      }
      const [first] = this.waiting;
      const job = near ?? first;
      if (!job) break;
      this.waiting.delete(job);
      // One system that cannot be drawn must not keep the others from it; its job says so where it stands.
      const isHurried = this.hurried && !near;
      await job
        .draw(isHurried ? this.breatheInHurry : breather())
        .catch((error: unknown) => job.failed(error));
      const next = this.near();
      if (!next || next.isAddition) this.oncaughtup();
      await (isHurried ? this.breatheInHurry() : nextTask());
    }
    this.running = false;
  }

  /** What is near the window, systems before what is added to them. */
  private near(): DrawingJob | undefined {
    const near = [...this.waiting].filter((job) => job.isNear());
    return near.find(({ isAddition }) => !isAddition) ?? near[0];
  }
}
