/**
 * Spans that have begun and not yet ended, by what they are found again by. Numbers are used again in each voice, which files
 * write one after the other, so the one of the same voice ends first; a guide may lead from one voice to another.
 */
export class OpenSpans<T> {
  private readonly open = new Map<string, { readonly voice: string; readonly begun: T }[]>();

  begin(key: string, voice: string, begun: T): void {
    const others = (this.open.get(key) ?? []).filter((each) => each.voice !== voice);
    this.open.set(key, [...others, { voice, begun }]);
  }

  end(key: string, voice: string): T | undefined {
    const all = this.open.get(key) ?? [];
    const ended = all.find((each) => each.voice === voice) ?? all.at(-1);
    this.open.set(
      key,
      all.filter((each) => each !== ended),
    );
    return ended?.begun;
  }
}
