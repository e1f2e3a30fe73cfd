/** Whose finger plucks, as far as it colours the tone. */
export type Plucker = 'thumb' | 'finger';

/** What happens to one string of the instrument. Strings are counted from 0; those from 6 on sound beside the first six. */
export type StringEvent =
  | {
      readonly kind: 'pluck' | 'hammer' | 'harmonic';
      readonly string: number;
      readonly hertz: number;
      /** 0 to 1. */
      readonly strength: number;
      readonly plucker: Plucker;
      readonly isRest: boolean;
    }
  | { readonly kind: 'slide'; readonly string: number; readonly hertz: number; readonly strength: number }
  | { readonly kind: 'damp'; readonly string: number }
  /** Everything falls silent. */
  | { readonly kind: 'hush' }
  /** A click of the metronome. */
  | { readonly kind: 'click'; readonly pitch: 'high' | 'low' | 'soft' };

/** An event with the second at which it happens. */
export type TimedEvent = StringEvent & { readonly at: number };
