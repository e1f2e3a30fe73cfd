/** Why a file could not be read. The message names the place and the remedy. */
export interface ImportProblem {
  readonly code:
    | 'empty'
    | 'too-large'
    | 'busy'
    | 'undecodable'
    | 'damaged-archive'
    | 'no-score-in-archive'
    | 'not-xml'
    | 'not-musicxml'
    | 'no-notes'
    | 'choose-part'
    | 'bad-note'
    | 'below-range'
    | 'above-range';
  readonly message: string;
  readonly bar?: string;
  /** The parts to choose from, when the guitar could not be found. */
  readonly parts?: readonly PartName[];
}

export interface PartName {
  readonly id: string;
  readonly name: string;
}

/** Something that was mended or left out while reading, for the teacher to know. */
export interface Repair {
  readonly code:
    | 'bar-too-full'
    | 'bar-not-full'
    | 'missing-duration'
    | 'missing-divisions'
    | 'unknown-string'
    | 'wrong-fret'
    | 'tuning-lowered'
    | 'unpitched-left-out'
    | 'tie-without-start'
    | 'rounded-time'
    | 'number-out-of-range'
    | 'octave-settled'
    | 'tuning-read'
    | 'tuning-corrected'
    | 'capo-fingered'
    | 'cue-left-out'
    | 'hidden-left-out'
    | 'quarter-tone'
    | 'simile'
    | 'seven-strings';
  readonly message: string;
  readonly bar?: string;
}
