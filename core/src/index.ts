/** The whole public surface of the computation. */
export * from './music/result.ts';
export { midiOf, pitchLabel, pitchName, parsePitch, type Midi, type PitchSpelling } from './music/pitch.ts';
export { quartersText, type Ticks } from './music/time.ts';
export { meterText, pulse, type Meter } from './music/meter.ts';
export * from './score/score.ts';
export { clockOf, type Clock } from './score/clock.ts';
export {
  openPitch,
  placesOf,
  SCALE_LENGTHS,
  STANDARD_GUITAR,
  STANDARD_TUNING,
  STRINGS,
  fretOffset,
  millimetres,
  type Guitar,
  type StringNumber,
} from './instrument/guitar.ts';
export * from './fingering/vocabulary.ts';
export * from './fingering/fingering.ts';
export * from './fingering/human-text.ts';
export * from './fingering/setup.ts';
export * from './fingering/edits.ts';
export * from './fingering/same-value.ts';
export * from './fingering/slots.ts';
export * from './fingering/rebase.ts';
export * from './fingering/rules.ts';
export * from './fingering/marks.ts';
export { inOctave } from './score/in-octave.ts';
export { slurMarks } from './fingering/slurred.ts';
export { anchorOf } from './score/anchor.ts';
export { beatText, placeText } from './score/place.ts';
export { handOf, HAND_SIZES, measuredHand, type Hand } from './left/hand/hand.ts';
export { LEFT_COST_RULES, LEFT_WEIGHTS, type LeftTerm } from './left/hand/costs.ts';
export { RIGHT_COST_RULES } from './right/search/costs.ts';
export { PRICE_LIMIT, type PricedPlacement } from './left/search/prices.ts';
export { otherWays, type Character, type OtherWay, type Passage } from './plan/other-ways.ts';
export {
  choicesFor,
  effectOf,
  NEAR_TIE,
  nearTies,
  type ChoiceEffect,
  type NoteChoices,
} from './plan/choices.ts';
export { ringsOn } from './left/plan-left.ts';
export { comparePatterns, otherRightWays, pluckChoices, type RightWay } from './plan/right-ways.ts';
export type { PricedPluck } from './right/search/prices.ts';
export type { RightTerm } from './right/search/costs.ts';
export { measureOrder, type OrderMeasures } from './right/around/orders.ts';
export { rightSigns, type RightSign, type RightSignKind } from './technique/right-signs.ts';
export { difficultyOf, COMFORTABLE_LEVEL, type BarDifficulty } from './review/difficulty.ts';
export { essentialMarks, type Essential } from './plan/essential.ts';
export { DAMPING_MEANS_RULES, type Damping } from './technique/damping.ts';
export { waysOut, type WayOut } from './plan/remedies.ts';
export { shiftPlaces, withoutBarre, type ShiftPlace, type WithoutBarre } from './plan/movement-ways.ts';
export { compareReturns, carriedChoices, type ComparedReturn } from './plan/carry.ts';
export { fixesOf, type Fix } from './plan/fixes.ts';
export { placedMarks, proposedMarks, type MarkOrigin, type PlacedMark } from './plan/proposed-marks.ts';
export { passageReturns, type Likeness, type PassageReturn } from './score/passage-returns.ts';
export { phrasesOf, type Phrase, type PhraseEnd } from './score/phrases.ts';
export type { Shift, ShiftRide } from './technique/shifts.ts';
export type { Barre, BarreCare, BarreKind } from './technique/barres.ts';
export type { Block } from './technique/blocks.ts';
export type { GuideFinger, HeldFinger, HoldKind } from './technique/guides.ts';
export type { Preparation, PreparationKind } from './technique/preparation.ts';
export type { LeavingReason, Stay } from './technique/stays.ts';
export type { SlurSuggestion } from './technique/slur-suggestions.ts';
export type { Technique } from './technique/technique.ts';
export { findingKey, type Finding } from './review/findings.ts';
export {
  DEFAULT_SETUP,
  planPiece,
  setupFor,
  type NotePlan,
  type Plan,
  type PlanMemory,
  type PlanSetup,
} from './plan/plan.ts';
export type { ImportProblem, PartName, Repair } from './formats/import-problem.ts';
export {
  isArchive,
  MAX_PACKED_BYTES,
  MAX_SOURCE_BYTES,
  readSourceFile,
} from './formats/source/source-file.ts';
export { readMusicXml, type ImportedScore } from './formats/musicxml/read.ts';
export { writeMusicXml, type NoteMarks } from './formats/musicxml/write.ts';
export { barreWords, bracketWords, romanNumeral } from './formats/musicxml/marks/mark-text.ts';
export type { SourceMarks } from './formats/musicxml/marks/read-marks.ts';
export type { WantedMarks } from './formats/musicxml/marks/write-marks.ts';
export { planJson, type BarRange, type PlanJson } from './formats/plan-json.ts';
export { marksOf, wantedMarks } from './formats/plan-marks.ts';
export { checkJson, type CheckJson } from './formats/check-json.ts';
export { rightJson, type RightJson } from './formats/right-json.ts';
