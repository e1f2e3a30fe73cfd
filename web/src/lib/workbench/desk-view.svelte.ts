import { DENSITIES } from '@oculon/core';
import * as z from 'zod/mini';
import { keep, kept } from '../browser-storage.svelte.ts';
import { PLAIN_DISPLAY, type Display } from '../sheet/display.ts';
import { LANES, type Lane } from './lanes/lane.ts';
import { LANES_OF_STEP, WORK_STEPS, type WorkStep } from './steps/work-steps.ts';

/** Sizes at which the music can be looked at. */
export const ZOOMS = [0.6, 0.7, 0.8, 0.9, 1, 1.15, 1.3, 1.5, 1.75, 2] as const;
const USUAL_ZOOM = 0.8;

/** How the sheet is laid out: in lines as wide as the page, or in one line without end. */
export const SHEET_LAYOUTS = ['page', 'line'] as const;
export type SheetLayout = (typeof SHEET_LAYOUTS)[number];

const keptView = z.partial(
  z.object({
    zoom: z.number().check(z.minimum(ZOOMS[0]), z.maximum(ZOOMS.at(-1)!)),
    layout: z.enum(SHEET_LAYOUTS),
    step: z.enum(WORK_STEPS),
    lanes: z.partialRecord(z.enum(WORK_STEPS), z.array(z.enum(LANES))),
    display: z.partial(
      z.object({
        density: z.enum(DENSITIES),
        everyString: z.boolean(),
        ringing: z.boolean(),
        rightSigns: z.boolean(),
        movements: z.boolean(),
        harmony: z.boolean(),
      }),
    ),
    leftHanded: z.boolean(),
    caret: z.int().check(z.minimum(0)),
  }),
);

/** How the teacher looks at a piece. It is no part of the fingering; the browser remembers it for each version. */
export class DeskView {
  zoom = $state(USUAL_ZOOM);
  /** The size at which the widest bar still fits the page: larger ones would push its notes into each other. */
  largest = $state<number>(ZOOMS.at(-1)!);
  /** The size at which the music is shown. */
  readonly shownZoom = $derived(Math.min(this.zoom, this.largest));
  /** Whether only one line without end would show the music larger. */
  readonly isAtWidest = $derived(this.zoom >= this.largest && this.largest < ZOOMS.at(-1)!);
  layout = $state<SheetLayout>('page');
  step = $state<WorkStep>('left');
  /** Lanes chosen for a step; those it brings itself where nothing was chosen. */
  #lanes = $state.raw<Partial<Record<WorkStep, readonly Lane[]>>>({});
  readonly display = $state<Display>({ ...PLAIN_DISPLAY });
  /** Whether the neck is drawn for a left-handed player. */
  leftHanded = $state(false);
  /** Where the caret stood when the piece was left. */
  readonly caretBefore: number;
  readonly #key: string;

  constructor(fingering: string) {
    this.#key = `oculon-desk-${fingering}`;
    const before = this.#before();
    this.zoom = before.zoom ?? USUAL_ZOOM;
    this.layout = before.layout ?? 'page';
    this.step = before.step ?? 'left';
    this.#lanes = before.lanes ?? {};
    this.display = { ...PLAIN_DISPLAY, ...before.display } as Display;
    this.leftHanded = before.leftHanded ?? false;
    this.caretBefore = before.caret ?? 0;
  }

  #before(): z.infer<typeof keptView> {
    try {
      return keptView.safeParse(JSON.parse(kept(this.#key) ?? '{}')).data ?? {};
    } catch {
      return {};
    }
  }

  get lanes(): readonly Lane[] {
    return this.#lanes[this.step] ?? LANES_OF_STEP[this.step];
  }

  /** Shows or hides a lane in the step at hand. */
  toggleLane(lane: Lane): void {
    const { lanes } = this;
    const next = lanes.includes(lane)
      ? lanes.filter((each) => each !== lane)
      : LANES.filter((each) => each === lane || lanes.includes(each));
    this.#lanes = { ...this.#lanes, [this.step]: next };
  }

  /** Goes to the step after or before; false at either end. */
  stepBy(direction: 1 | -1, onlyAsk = false): boolean {
    const to = WORK_STEPS[WORK_STEPS.indexOf(this.step) + direction];
    if (!to) return false;
    if (!onlyAsk) this.step = to;
    return true;
  }

  /** The next size up or down; false where there is none. */
  zoomBy(direction: 1 | -1, onlyAsk = false): boolean {
    const to =
      direction === 1
        ? ZOOMS.find((each) => each > this.zoom + 0.001)
        : ZOOMS.findLast((each) => each < this.shownZoom - 0.001);
    if (to === undefined || (direction === 1 && this.zoom >= this.largest)) return false;
    if (!onlyAsk) this.zoom = to;
    return true;
  }

  /** Zooms to any size within the limits, as fingers do. */
  zoomTo(zoom: number): void {
    this.zoom = Math.max(ZOOMS[0], Math.min(ZOOMS.at(-1)!, Math.round(zoom * 100) / 100));
  }

  /** Has the browser remember all of it. */
  remember(caret: number): void {
    const { zoom, layout, step, leftHanded } = this;
    const view = { zoom, layout, step, leftHanded, caret, lanes: this.#lanes, display: this.display };
    keep(this.#key, JSON.stringify(view));
  }
}
