import type { Density } from '@oculon/core';

/** What the sheet shows beside the plain fingering. */
export interface Display {
  density: Density;
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
  density: 'everything',
  everyString: false,
  ringing: false,
  rightSigns: false,
  movements: false,
  harmony: false,
};
