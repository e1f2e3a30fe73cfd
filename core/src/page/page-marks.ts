import type { Barre } from '../technique/barres.ts';

/** Which marks stand at the first notehead of a sound. */
export interface MarksAt {
  readonly finger: boolean;
  readonly string: boolean;
  readonly pluck: boolean;
}
export type MarkField = keyof MarksAt;
export const MARK_FIELDS = ['finger', 'string', 'pluck'] as const satisfies readonly MarkField[];

/** What stands on the page beside the notes. What a mark says is what the plan does there. */
export interface PageMarks {
  /** By sound; a sound without marks has no entry. */
  readonly at: ReadonlyMap<number, MarksAt>;
  /** Slices at which a Roman numeral tells the position. */
  readonly positions: ReadonlySet<number>;
  readonly barres: readonly Barre[];
}

/** Marks in the making. */
export class Page implements PageMarks {
  readonly at = new Map<number, { -readonly [Field in MarkField]: boolean }>();
  readonly positions = new Set<number>();
  readonly barres: readonly Barre[];

  constructor(barres: readonly Barre[]) {
    this.barres = barres;
  }

  copy(): Page {
    const page = new Page(this.barres);
    for (const [sound, marks] of this.at) page.at.set(sound, { ...marks });
    for (const slice of this.positions) page.positions.add(slice);
    return page;
  }

  has(sound: number, field: MarkField): boolean {
    return this.at.get(sound)?.[field] ?? false;
  }

  write(sound: number, field: MarkField): void {
    const own = this.at.get(sound) ?? { finger: false, string: false, pluck: false };
    own[field] = true;
    this.at.set(sound, own);
  }

  erase(sound: number, field: MarkField): void {
    const own = this.at.get(sound);
    if (!own) return;
    own[field] = false;
    if (MARK_FIELDS.every((each) => !own[each])) this.at.delete(sound);
  }
}
