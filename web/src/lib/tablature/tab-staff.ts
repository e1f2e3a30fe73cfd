/** Distance of the lines of the six-line staff, and its height, px. */
export const TAB_LINE = 11;
export const TAB_HEIGHT = 8 + 5 * TAB_LINE + 14;
