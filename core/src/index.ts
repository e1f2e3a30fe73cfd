/** The public surface of the computation, by purpose. */

// Results, pitch, time
export { type Result, success, failure } from './music/result.ts';
export type { Steps } from './music/steps.ts';
export type { Meter } from './music/meter.ts';
export { type PitchSpelling, midiOf, pitchLabel, STEPS, parsePitch } from './music/pitch.ts';
export { meterText, pulse } from './music/meter.ts';

// The score
export {
  type NoteId,
  type NoteIndex,
  type Note,
  type NoteType,
  type VoiceEvent,
  type BarVoice,
  type Bar,
  type Score,
  type Direction,
  type Navigation,
  NAVIGATION_WORDS,
  noteById,
  barLabel,
  indexById,
} from './score/score.ts';
export {
  correctMusicXml,
  nextOfPitch,
  tiedTogether,
  type Correction,
  type CorrectionProblem,
} from './formats/musicxml/correct.ts';
export { accidentalsOf, keyAlteration } from './score/accidentals.ts';
export { anchorOf } from './score/anchor.ts';
export { inOctave } from './score/in-octave.ts';
export { beatText } from './score/place.ts';
export { type Phrase, phrasesOf } from './score/phrases.ts';
export { passageReturns } from './score/passage-returns.ts';

// The instrument and the hand
export {
  STRINGS,
  type StringNumber,
  millimetres,
  SCALE_LENGTHS,
  type Guitar,
  openPitch,
  placesOf,
} from './instrument/guitar.ts';
export { stringSign, stringSigns } from './instrument/string-sign.ts';
export { HAND_SIZES, type Hand, handOf, measuredHand } from './left/hand/hand.ts';

// The teacher’s document: decisions, marks, rules, setup, and their edits
export {
  type LeftFinger,
  type Remedy,
  type StrokeFinger,
  RIGHT_SCHOOLS,
  type RightSchool,
  LEFT_SCHOOLS,
  FINGER_PAIRS,
  type FingerPair,
  HAND_NAMES,
  type HandSize,
  LEFT_WEIGHT_NAMES,
  type LeftWeight,
  WEIGHT_RANGE,
} from './fingering/vocabulary.ts';
export {
  CHOICE_FIELDS,
  type Choice,
  choiceSchema,
  type FindingKey,
  type Fingering,
  EMPTY_FINGERING,
} from './fingering/fingering.ts';
export { lastNoteOf, markId } from './fingering/mark-id.ts';
export {
  type MarkId,
  BARRE_EXTENTS,
  LONGEST_TEXT,
  markSchema,
  type Mark,
  type MarkKind,
  MARK_KINDS,
  type MarkDecision,
} from './fingering/marks.ts';
export {
  type RuleId,
  type Pattern,
  PLANTING_KINDS,
  type PlantingKind,
  patternSchema,
  type PassageRule,
  isForRightHand,
} from './fingering/rules.ts';
export {
  SETUP_FIELDS,
  setupSchema,
  type Setup,
  type SetupChange,
  type WholeSetup,
  wholeSetup,
} from './fingering/setup.ts';
export {
  EDIT_FORMAT,
  editSchema,
  noteIdSchema,
  type Edit,
  applyEdits,
  invertEdit,
  setupEdit,
  markEdit,
  dismissEdit,
  sentenceEdit,
  ruleEdit,
  chooseEdit,
  readEdit,
} from './fingering/edits.ts';
export {
  type OwnWords,
  type SentenceKey,
  LONGEST_SENTENCE,
  addedId,
  sentenceKey,
} from './fingering/own-words.ts';
export { type SlotValue, valueIn, slotsOf, valueAfter, filledSlots } from './fingering/slots.ts';
export {
  type Conflict,
  type Rebase,
  editsBetween,
  rebaseEdits,
  restateUpon,
  yielding,
} from './fingering/rebase.ts';
export { sameValue } from './fingering/same-value.ts';
export { shortened, readable, humanText } from './fingering/human-text.ts';

// Planning, and planning again
export { type PlanSetup, DEFAULT_SETUP, setupFor, type NotePlan, type Plan, planPiece } from './plan/plan.ts';
export { type NoteChoices, choicesFor, nearTies } from './plan/choices.ts';
export { type ChoicePreview, planDeciding, previewBetween, previewOf } from './plan/preview.ts';
export { type Passage, type OtherWay, otherWaysInSteps, termDifferences } from './plan/other-ways.ts';
export { shiftPlacesInSteps, type WithoutBarre, withoutBarre } from './plan/movement-ways.ts';
export {
  type RightWay,
  comparePatternsInSteps,
  otherRightWaysInSteps,
  pluckChoices,
  rightTermDifferences,
} from './plan/right-ways.ts';
export { type WayOut, waysOut } from './plan/remedies.ts';
export { type ComparedReturn, compareReturns, carriedChoices } from './plan/carry.ts';
export { type MarkOrigin, type PlacedMark, proposedMarks, placedMarks } from './plan/proposed-marks.ts';
export { type ChoiceChanges, choicesBeyondHand } from './plan/other-hand.ts';
export { type HandReason, type HandPoint, handPoints } from './plan/hand-points.ts';
export { FIX_CODES, type FixCode, type Fix, fixesOf } from './plan/fixes.ts';

// What the planners weigh
export { type PricedPlacement, PRICE_LIMIT } from './left/search/prices.ts';
export type { PricedPluck } from './right/search/prices.ts';

// What is heard
export {
  type SoundEvent,
  type BeginEvent,
  begins,
  type PlayedSpan,
  type SoundStep,
  type SoundPlan,
} from './sound/sound-event.ts';
export { type SoundOptions, soundOf } from './sound/sound-of.ts';
export {
  BALANCED_PARTS,
  type BalancedPart,
  HANDS_HEARD,
  type HandsHeard,
  type Balance,
  PLAIN_BALANCE,
  balanced,
} from './sound/balance.ts';

// What the hands do
export type { Performance } from './performance/performance.ts';
export { ringsOn } from './performance/rings-on.ts';
export type { Sounding } from './performance/sounding.ts';
export type { HandAt, Lying } from './left/left-plan.ts';
export type { Technique } from './technique/technique.ts';
export type { ShiftRide, Shift } from './technique/shifts.ts';
export type { Barre, BarreCare } from './technique/barres.ts';
export type { Damping } from './technique/damping.ts';
export type { Block } from './technique/blocks.ts';
export { type RightSign, rightSigns } from './technique/right-signs.ts';

// What will go wrong
export {
  type FindingCode,
  type Severity,
  FINDING_CODES,
  type Finding,
  findingKey,
} from './review/finding.ts';
export { type BarDifficulty, COMFORTABLE_LEVEL, difficultyOf } from './review/difficulty.ts';
export { type Comparison, compareFingerings, isSameFingering } from './review/compare.ts';

// What stands on the page, and how it is read
export { type MarksAt } from './page/page-marks.ts';
export { DENSITIES, type Density, markedPage, type MarkedPage } from './page/density.ts';
export { signsOnPage } from './page/page-signs.ts';

// What a student is told
export { type Moment, type MomentKind } from './walk/moment.ts';
export { momentsOf } from './walk/moments.ts';
export { type ShapeCard, shapeCards } from './walk/shapes.ts';
export { DEPTHS, type Depth } from './walk/telling.ts';

// Files in and out
export type { ImportProblem, Repair } from './formats/import-problem.ts';
export {
  MAX_SOURCE_BYTES,
  MAX_PACKED_BYTES,
  isArchive,
  readSourceFile,
} from './formats/source/source-file.ts';
export { type ImportedScore, readMusicXml } from './formats/musicxml/read.ts';
export { writeMusicXml } from './formats/musicxml/write.ts';
export { withTablatureStaff } from './formats/musicxml/tablature-staff.ts';
export { writeNewMusicXml } from './formats/musicxml/write-new.ts';
export { buildScore } from './score/draft/build-score.ts';
export type { BarDraft, EventDraft, PieceDraft } from './score/draft/draft.ts';
export { romanNumeral, barreWords, bracketWords } from './formats/musicxml/marks/mark-text.ts';
export { marksOf, tablatureOf, wantedMarks } from './formats/plan-marks.ts';
export { type BarRange, planJson, type PlanJson } from './formats/plan-json.ts';
export { checkJson, type CheckJson } from './formats/check-json.ts';
export { soundJson, type SoundJson } from './formats/sound-json.ts';
export { writeMidi } from './formats/midi.ts';
export { walkJson, type WalkJson } from './formats/walk-json.ts';
export { marksJson, type MarksJson } from './formats/marks-json.ts';
export { rightJson, type RightJson } from './formats/right-json.ts';
export { JSON_FORMATS } from './formats/json-schemas.ts';

// Words, in two languages
export { LANGUAGES, type Language, NOTE_NAMES, type NoteNames } from './wording/language.ts';
export type { MessageKey } from './wording/catalogue.ts';
export { wordingIn } from './wording/languages.ts';
export { englishWording, type Wording, yesNo } from './wording/wording.ts';
export { placeText } from './wording/place-words.ts';
export { findingText } from './wording/finding-words.ts';
export { problemText, repairText } from './wording/reading-words.ts';
export { fingersOnStrings, signText } from './wording/sign-words.ts';
export { preparationText, heldText, guideText, likenessText, markText } from './wording/movement-words.ts';
export { ruleText } from './wording/rule-words.ts';
export { leftTermsText, rightTermsText, difficultyText } from './wording/effort-words.ts';
export { type WalkLine, type WalkSentence, walkThrough, walkHeading } from './wording/walkthrough.ts';
export { type NoteTaken, changedText } from './wording/changed-words.ts';
export { type StrayWords, withOwnWords, strayWords } from './wording/own-sentences.ts';

// Drills
export { DRILL_GROUPS, type DrillGroup, type DrillKind } from './practice/drills/drill-kind.ts';
export {
  type Parameter,
  type ParameterValue,
  type DrillProblem,
  valuesText,
} from './practice/drills/parameter.ts';
export { DRILL_KINDS, type DrillName } from './practice/drills/catalogue.ts';
export { type Drill, drillKindNamed, drillSource, readDrill } from './practice/drills/drill.ts';
export {
  drillAbout,
  drillCare,
  drillGroupName,
  drillName,
  drillProblemText,
  drillTitle,
  parameterName,
  valueName,
} from './wording/drill-words.ts';

// Practice
export { type Day, dayByClock, dayText, dayTextSchema, later, readDay, weekdayOf } from './practice/days.ts';
export {
  calendarOf,
  type PlannedDay,
  type PlannedMeeting,
  type PracticeCalendar,
} from './practice/calendar.ts';
export {
  type Course,
  type CourseGoal,
  GOAL_STATES,
  type GoalState,
  type Progress,
  type SpotWish,
  spotWishSchema,
} from './practice/course.ts';
export {
  daysAhead,
  doneSteps,
  type SessionStep,
  todaysSession,
  WARM_UP_FOR,
  workOf,
} from './practice/todays-session.ts';
export {
  FEELINGS,
  LOG_BOUNDS,
  type LogEntry,
  logEntrySchema,
  type Pain,
  PAINS,
  spotKey,
  type Work,
  workKey,
  workSchema,
} from './practice/log/entry.ts';
export { isRestful, restsAfter } from './practice/log/rest.ts';
export {
  allInShort,
  NEVER_MET,
  placeOn,
  type Standing,
  type Standings,
  standingsAfter,
} from './practice/log/standing.ts';
export { type SpotForecast, type SpotRecord, spotRecord } from './practice/log/spot-record.ts';
export { mondayOf, type PractisedWeek, weeksOf } from './practice/log/weeks.ts';
export { type WeekSummary, weekSummary } from './practice/log/week-summary.ts';
export { practised, spreadWeekdays } from './practice/practise.ts';
export { practiceJson, type PractisedPiece } from './practice/practice-json.ts';
export type { Spot, SpotKind } from './practice/spots.ts';
export { DRILLS_FOR, type SpotDrill } from './practice/spot-drills.ts';
export { CUT_FOR, type SpotCut, spotScore, spotSource } from './practice/spot-scores.ts';
export {
  afterTry,
  AT_THE_FOOT,
  LADDER,
  type Ladder,
  type LadderPlace,
  OUTCOMES,
  type Outcome,
  tempoAt,
} from './practice/ladder.ts';
export {
  practiceTable,
  spotBars,
  spotCare,
  spotDrillName,
  spotDrillTitle,
  spotKindName,
} from './wording/practice-words.ts';
export {
  dayName,
  feelingName,
  forecastText,
  goalStateName,
  meetingName,
  type NamedGoal,
  outcomeName,
  painCare,
  painName,
  weekSummaryText,
  whyName,
  workName,
} from './wording/log-words.ts';

// Reference
export {
  comfortableFrom,
  fretMeasures,
  reachFromFrets,
  stretchBetween,
  stretchOnInstruments,
} from './practice/reference/neck.ts';
export { harmonicWays, nodesOf } from './practice/reference/harmonics.ts';
export { noteMs, sameFingerMs } from './practice/reference/time.ts';
export { tensionAfter } from './practice/reference/strings.ts';
