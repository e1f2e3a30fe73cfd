/** Random programs that the optimiser solves: a few with every test, 200 with `npm run evaluate`. */
export const PROGRAMS = Number(process.env.OCULON_PROGRAMS ?? 20);

/** Whether everything is tried, as `npm run evaluate` does, rather than a part of it. */
export const IS_WHOLE = PROGRAMS >= 200;
