declare const brand: unique symbol;

/** A value of type `T` that cannot be mixed up with another of the same shape: `Branded<number, 'Fret'>`. */
export type Branded<T, Name extends string> = T & { readonly [brand]: Name };
