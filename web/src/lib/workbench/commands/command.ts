import type { Workbench } from '../workbench.svelte.ts';

/** Tells whether it can be done now and, unless only asked, does it. */
export type Command = (workbench: Workbench, onlyAsk?: boolean) => boolean;
