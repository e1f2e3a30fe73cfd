/** Names of further lines under one voice number: `1`, `1b`, `1c`. */
const LETTERS = 'bcdefghijklmnopqrstuvwxyz';
const nameOf = (voice: string, line: number): string =>
  line === 0 ? voice : `${voice}${LETTERS[Math.min(line, LETTERS.length) - 1]}`;

/**
 * Tells apart lines that share a voice number in one bar: what is written after a step back in time, over notes of its
 * own voice that still last, is another line. Programs write so that number voices by staff, or not at all.
 */
export class BarLines {
  /** By voice: where each of its lines has come to, in ticks from the start of the bar. */
  private readonly ends = new Map<string, number[]>();
  private readonly current = new Map<string, number>();

  /** To be told of every step back. */
  stepBack(): void {
    this.current.clear();
  }

  /** The name of the line to which a note of a voice belongs; chord notes belong to the note they stand with. */
  place(voice: string, at: number, length: number): string {
    const ends = this.ends.get(voice) ?? [];
    this.ends.set(voice, ends);
    const going = this.current.get(voice);
    const fits = (line: number | undefined): line is number => line !== undefined && (ends[line] ?? 0) <= at;
    const free = ends.findIndex((end) => end <= at);
    const line = fits(going) ? going : free < 0 ? ends.length : free;
    ends[line] = at + length;
    this.current.set(voice, line);
    return nameOf(voice, line);
  }

  /** The line in which a voice was last written. */
  last(voice: string): string {
    return nameOf(voice, this.current.get(voice) ?? 0);
  }
}
