import { applyEdits, EMPTY_FINGERING, type ChoicePreview, type Edit, type Fingering } from '@oculon/core';
import type { Decisions } from '../../document/decisions.svelte.ts';
import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
import { messageOf } from '../../versions/comparison.ts';
import { historySchema, type SavedHistory } from '../../versions/history.ts';

/** What was saved together: its edits, and the state they left. */
export interface Save {
  /** Revision after it. */
  readonly revision: number;
  readonly at: Date;
  readonly edits: readonly Edit[];
  readonly label: string | undefined;
}

/** Edits of one request have one time; those of neighbouring ones belong together within so many ms. */
const TOGETHER = 20_000;

const savesOf = ({ revisions, labels }: SavedHistory): readonly Save[] => {
  const labelOf = new Map(labels.map(({ revision, label }) => [revision, label]));
  const saves: Save[] = [];
  for (const { revision, at, edit } of revisions) {
    const time = new Date(at);
    const last = saves.at(-1);
    const belongs =
      last && last.label === undefined && time.getTime() - last.at.getTime() < TOGETHER ? last : undefined;
    const save = {
      revision,
      at: time,
      edits: [...(belongs?.edits ?? []), edit],
      label: labelOf.get(revision),
    };
    if (belongs) saves[saves.length - 1] = save;
    else saves.push(save);
  }
  return saves.toReversed();
};

/** The saved past of a version: looked at on the sheet, and brought back as an edit like any other. */
export class Past {
  isOpen = $state(false);
  isLoading = $state(false);
  problem = $state('');
  /** The latest first; undefined until they are known. */
  saves = $state.raw<readonly Save[]>();
  #history: SavedHistory | undefined;
  #previewed = $state.raw<{
    readonly revision: number;
    readonly preview: ChoicePreview;
    readonly plan: unknown;
  }>();
  /** The decisions that the list was fetched for. */
  #knownFor = $state.raw<Fingering>();
  readonly #address: string;
  readonly #decisions: Decisions;
  readonly #planned: CurrentPlan;

  constructor(fingering: string, decisions: Decisions, planned: CurrentPlan) {
    this.#address = `/api/fingerings/${fingering}/history`;
    this.#decisions = decisions;
    this.#planned = planned;
  }

  /** Opens the past, once everything that waits has been saved. */
  async open(): Promise<void> {
    this.isOpen = true;
    this.isLoading = true;
    this.problem = '';
    try {
      await this.#decisions.saving.settle();
      this.#knownFor = this.#decisions.fingering;
      const answer = await fetch(this.#address);
      if (!answer.ok) throw new Error();
      this.#history = historySchema.parse(await answer.json());
      this.saves = savesOf(this.#history);
    } catch {
      this.problem = 'What was done before could not be fetched. Check the connection and try again.';
    } finally {
      this.isLoading = false;
    }
  }

  /** Something was decided and saved since the list was fetched. */
  get isBehind(): boolean {
    const { saving, fingering } = this.#decisions;
    return !this.isLoading && saving.state === 'saved' && this.#knownFor !== fingering;
  }

  close(): void {
    this.isOpen = false;
    this.#previewed = undefined;
  }

  /** The fingering as it stood at a revision. */
  #at(revision: number): Fingering {
    const edits = this.#history?.revisions.filter((each) => each.revision <= revision) ?? [];
    return applyEdits(
      EMPTY_FINGERING,
      edits.map(({ edit }) => edit),
    );
  }

  /** The revision that is shown on the sheet. */
  get shownRevision(): number | undefined {
    return this.#previewed?.plan === this.#planned.plan ? this.#previewed?.revision : undefined;
  }

  /** How the notes would be taken if what is shown were brought back. */
  get shown(): ChoicePreview | undefined {
    return this.shownRevision === undefined ? undefined : this.#previewed?.preview;
  }

  /** Shows a revision on the sheet, or the plan again. */
  async show(revision: number | undefined): Promise<void> {
    this.#previewed = undefined;
    if (revision === undefined) return;
    this.problem = '';
    const { plan } = this.#planned;
    try {
      const { differences } = await this.#planned.compare(
        messageOf(this.#decisions.fingering),
        messageOf(this.#at(revision)),
      );
      const preview: ChoicePreview = {
        terms: {},
        rightTerms: {},
        notes: differences.map(({ note, other }) => [note, other]),
        appearing: [],
        vanishing: [],
      };
      this.#previewed = { revision, preview, plan };
    } catch {
      this.problem = 'This could not be shown. Load the page again.';
    }
  }

  /** Brings a revision back, as an edit that can be taken back. */
  restore(revision: number): void {
    this.#previewed = undefined;
    this.#decisions.become(this.#at(revision));
  }

  /** Names a revision, or takes its name off. */
  async label(revision: number, label: string | null): Promise<void> {
    this.problem = '';
    try {
      const answer = await fetch(this.#address, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ revision, label }),
      });
      if (!answer.ok) throw new Error();
      await this.open();
    } catch {
      this.problem = 'The label could not be kept. Check the connection and try again.';
    }
  }
}
