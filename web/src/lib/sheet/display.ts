/** What the sheet shows beside the plain fingering. */
export interface Display {
  /** Only the marks from which all others follow. */
  essential: boolean;
  everyString: boolean;
  ringing: boolean;
  /** Planting, strokes, strums and damping. */
  rightSigns: boolean;
  /** Guide fingers, fingers that stay, and slurs that would help. */
  movements: boolean;
  /** Names of the harmonies. */
  harmony: boolean;
}

export const PLAIN_DISPLAY: Display = {
  essential: false,
  everyString: false,
  ringing: false,
  rightSigns: false,
  movements: false,
  harmony: false,
};
