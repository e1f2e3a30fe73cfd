/** Long work that can be looked at between its steps, and left off there; its last step returns what came out. */
export type Steps<T> = Generator<void, T, void>;

/** Does long work in one go. */
export const finish = <T>(steps: Steps<T>): T => {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};
