/** A deed that belongs to the page and not to the fingering. */
export interface PageDeed {
  readonly does: string;
  readonly run: () => void;
}
