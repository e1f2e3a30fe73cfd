import abcjs from 'abcjs';

/** What abcjs tells of a tune, as far as it is used here. Lengths are shares of a whole note. */
export interface AbcPitch {
  /** Diatonic steps above middle C as written. */
  readonly pitch: number;
  readonly accidental?: string;
  readonly startTie?: object;
  readonly endTie?: boolean;
  readonly startSlur?: readonly object[];
  readonly endSlur?: readonly unknown[];
}
export interface AbcNote {
  readonly el_type: 'note';
  readonly startChar: number;
  readonly duration: number;
  readonly pitches?: readonly AbcPitch[];
  readonly rest?: { readonly type: string };
  readonly gracenotes?: readonly AbcPitch[];
  readonly decoration?: readonly string[];
  readonly startTriplet?: number;
  readonly tripletMultiplier?: number;
  readonly endTriplet?: boolean;
  readonly startSlur?: readonly object[];
  readonly endSlur?: readonly unknown[];
}
export interface AbcBar {
  readonly el_type: 'bar';
  readonly startChar: number;
  readonly type: string;
  readonly startEnding?: string;
  readonly endEnding?: boolean;
}
export interface AbcKey {
  readonly accidentals?: readonly { readonly acc: string; readonly note: string }[];
}
export interface AbcMeter {
  readonly type: string;
  readonly value?: readonly { readonly num: string; readonly den?: string }[];
}
export interface AbcTempo {
  readonly bpm?: number;
  readonly duration?: readonly number[];
}
export type AbcElement =
  | AbcNote
  | AbcBar
  | ({ readonly el_type: 'key'; readonly startChar: number } & AbcKey)
  | ({ readonly el_type: 'meter'; readonly startChar: number } & AbcMeter)
  | ({ readonly el_type: 'tempo'; readonly startChar: number } & AbcTempo)
  | { readonly el_type: 'other'; readonly startChar?: number };

export interface AbcTune {
  readonly title: string;
  readonly composer: string;
  readonly tempo: AbcTempo | undefined;
  readonly key: AbcKey;
  readonly meter: AbcMeter | undefined;
  /** By voice, through all lines. */
  readonly voices: readonly (readonly AbcElement[])[];
  /** What abcjs could not read, as `…:line:column: message: the line, marked up`. */
  readonly warnings: readonly string[];
}

interface RawTune {
  readonly metaText?: { readonly title?: string; readonly composer?: string; readonly tempo?: AbcTempo };
  readonly warnings?: readonly string[];
  readonly lines?: readonly {
    readonly staff?: readonly {
      readonly key?: AbcKey;
      readonly meter?: AbcMeter;
      readonly voices?: readonly (readonly AbcElement[])[];
    }[];
  }[];
}

/** Reads the first tune of an ABC text. The one place that knows abcjs. */
export const readTune = (text: string): AbcTune | undefined => {
  const [tune] = abcjs.parseOnly(text) as unknown as readonly RawTune[];
  if (!tune) return undefined;
  const voices: AbcElement[][] = [];
  let first: { readonly key?: AbcKey; readonly meter?: AbcMeter } | undefined;
  for (const { staff = [] } of tune.lines ?? []) {
    let voice = 0;
    for (const each of staff) {
      first ??= each;
      for (const elements of each.voices ?? []) {
        (voices[voice] ??= []).push(...elements);
        voice += 1;
      }
    }
  }
  const { title = '', composer = '', tempo } = tune.metaText ?? {};
  return {
    title,
    composer,
    tempo,
    key: first?.key ?? {},
    meter: first?.meter,
    voices,
    warnings: tune.warnings ?? [],
  };
};
