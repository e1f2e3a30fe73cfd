/** Fingers as ranks that rise with the strings: p i m a. */
export const THUMB = 0;
export const INDEX = 1;
export const RING = 3;
