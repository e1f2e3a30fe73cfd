import type { Edit } from '@oculon/core';

/** What a teacher did at once: one undo takes all of it back. */
export type Deed = readonly Edit[];

/** The deeds of a session, those taken back among them. Holds them only; what they do is done elsewhere. */
export class History {
  #done = $state.raw<readonly Deed[]>([]);
  #takenBack = $state.raw<readonly Deed[]>([]);

  get canUndo(): boolean {
    return this.#done.length > 0;
  }

  get canRedo(): boolean {
    return this.#takenBack.length > 0;
  }

  /** Adds a deed; what was taken back before it is gone. */
  add(deed: Deed): void {
    this.#done = [...this.#done, deed];
    this.#takenBack = [];
  }

  /** Takes back the last deed and returns it, to be inverted; undefined when there is none. */
  takeBack(): Deed | undefined {
    const deed = this.#done.at(-1);
    if (!deed) return undefined;
    this.#done = this.#done.slice(0, -1);
    this.#takenBack = [...this.#takenBack, deed];
    return deed;
  }

  /** Returns the deed taken back last, to be done again; undefined when there is none. */
  doAgain(): Deed | undefined {
    const deed = this.#takenBack.at(-1);
    if (!deed) return undefined;
    this.#takenBack = this.#takenBack.slice(0, -1);
    this.#done = [...this.#done, deed];
    return deed;
  }

  /** Forgets everything: the deeds no longer fit what they were done to. */
  clear(): void {
    this.#done = [];
    this.#takenBack = [];
  }
}
