/** The sounds of a piece as flat tables by sound index. Times in ticks. */
export interface SoundTables {
  readonly onset: Float64Array;
  /** Where it ends as written, or as a remedy left it. */
  readonly end: Float64Array;
  /** Until when it may ring; its end where it may not. */
  readonly ring: Float64Array;
  /** 1 where it belongs to a broken chord whose pattern is plain: it should ring over its neighbours. */
  readonly broken: Uint8Array;
  /** The one that struck its pitch before in its broken chord, in the bar; −1 for none. */
  readonly struckBefore: Int32Array;
  /** Until when its finger may rest in silence where it lies. */
  readonly rest: Float64Array;
  /** Sound slurred or slid from, −1 for none. */
  readonly slurredFrom: Int32Array;
  /** 1 where it is a slide, which asks for one finger; a slur asks for two. */
  readonly slides: Uint8Array;
  /** 1 where it is a natural harmonic: the string is touched, and rings on without the finger like an open one. */
  readonly touched: Uint8Array;
}
