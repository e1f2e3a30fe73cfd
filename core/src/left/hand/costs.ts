/**
 * What each movement and posture of the left hand costs, in one arbitrary unit of effort. Every number of the
 * planner's judgement stands here with its unit and its reason; the values come from the left-hand model's
 * prototype, tuned again on half of the chord data and on passages with accepted fingerings (`docs/evaluation.md`).
 */
export interface CostRule {
  readonly value: number;
  readonly unit: string;
  readonly reason: string;
}

const rule = (value: number, unit: string, reason: string): CostRule => ({ value, unit, reason });

export const LEFT_COST_RULES = {
  place: rule(0.39, 'per finger placed', 'every finger that goes down is an action'),
  finger1: rule(0, 'per placing of 1', 'the index is the reference'),
  finger2: rule(0.015, 'per placing of 2', 'nearly as able as the index'),
  finger3: rule(0.04, 'per placing of 3', 'tied to 4 and 2'),
  finger4: rule(0.375, 'per placing of 4', 'the little finger tires first'),
  fourFingers: rule(
    0.14,
    'per grip',
    'four fingers that go down at once are hard to set together; our own value',
  ),
  backward: rule(0.24, 'per fret', 'a finger lying behind its own fret contracts the hand'),
  forwardBase: rule(0.38, 'per fret²', 'a finger reaching past its own fret opens the hand'),
  forwardWidth: rule(0.5, 'per fret² and 34 mm of fret', 'reaching is a matter of millimetres'),
  indexBack: rule(
    0.76,
    'per fret and 34 mm of fret',
    'the index reaches back more easily than the others forward',
  ),
  loneBack: rule(0.49, 'per lone finger', 'a lone finger behind its fret while the hand stays'),
  loneForward: rule(1.56, 'per lone finger', 'a lone finger past its fret while the hand stays'),
  nutBack: rule(
    0.22,
    'per fret in a shape, per fret² for a finger set alone',
    'in first position there is no lower fret to move the hand to',
  ),
  stretch: rule(0.02, 'per (excess in cm)²', 'spans beyond comfortable hurt more and more'),
  strain: rule(
    60,
    'per (share of the way to the widest span beyond strainFrom)²',
    'near the widest span nothing else can be done with the hand; our own value',
  ),
  strainFrom: rule(
    0.6,
    'share',
    'of the way from the comfortable to the widest span: so far a stretch is work',
  ),
  smallHand: rule(
    10,
    'per cm beyond comfort and share by which a hand opens less than a medium one',
    'what a medium hand reaches is a stretch for a small one: it shifts, or plays open strings, instead; our own value',
  ),
  spread: rule(0.45, 'per fret and pair', 'fingers further apart than one a fret'),
  adjacentSpread: rule(0.4, 'per fret', 'neighbouring fingers open least'),
  weakPairSpread: rule(0.6, 'per fret', '3 and 4 are the least independent pair; our own value'),
  cramp: rule(0.045, 'per fret and pair', 'fingers squeezed closer than one a fret'),
  inverted: rule(2.6, 'per pair', 'on one fret the lower finger belongs on the lower string'),
  invertedFlat: rule(
    2.6,
    'per such pair of which one lies flat',
    'beside a small barre there is no room to turn the hand so; our own value',
  ),
  firstPosition: rule(
    0.12,
    'per fret of difference',
    'beside open strings low on the neck each finger keeps its fret',
  ),
  firstPositionAlone: rule(
    0.2,
    'per fret of difference',
    'a note that is set alone low on the neck is read with the finger of its fret; our own value',
  ),
  crowd: rule(
    4,
    'per finger beside the index on its fret, times the share by which that is narrower than 34 mm',
    'up the neck there is little room for another tip beside the index, which would rather lie flat; our own value',
  ),
  besideIndex: rule(
    0.8,
    'per finger on the fret of 1, three strings away or more',
    'there the index lies down as a barre; for shapes set at once the shape costs say so; our own value',
  ),
  barre: rule(1.4, 'per barre set', 'setting a barre where a fret is 34 mm wide'),
  barreWidth: rule(
    0.6,
    'per barre and 34 mm of fret',
    'near the nut the strings lie stiff and the frets wide: a barre costs more there; our own value',
  ),
  barreString: rule(0.15, 'per string', 'a longer barre needs more'),
  barreAmongOpen: rule(
    1.6,
    'per barre of the index at the first two frets',
    'D and A between open strings are set with the tips of three fingers; our own value',
  ),
  barreFromTip: rule(
    0.6,
    'share of setting it',
    'the index lies on its fret already and is laid down from its tip; our own value',
  ),
  barreRoll: rule(
    0.15,
    'share of setting it',
    'the index rolls from its tip to its side on the fret at which it has lain flat; our own value',
  ),
  barreSlide: rule(
    0.32,
    'share of setting it',
    'a flat index that goes along the neck is pressed again, but has not to be found; our own value',
  ),
  barreHold: rule(0.027, 'per beat and string', 'holding a barre tires, a wide one more'),
  smallBarre: rule(2.44, 'per barre set', 'a barre with another finger than the index'),
  smallBarreString: rule(
    0.78,
    'per string beyond two',
    'other fingers are short and stiff across the strings',
  ),
  smallBarreBent: rule(
    0.6,
    'per small barre beside a lower finger on the next thinner string',
    'its joint has to bend back so that the string sounds; our own value',
  ),
  smallBarreRing: rule(0.3, 'per barre set', '3 lies flat least well'),
  smallBarreLittle: rule(0.57, 'per barre set', '4 lies flat hardly better'),
  smallBarreLittleString: rule(2.02, 'per string beyond two', '4 is too short to cover three; our own value'),
  ringOverBarre: rule(
    0.47,
    'per note on ① two frets above a barre',
    'the barre turns the hand: the treble side falls to 4; our own value',
  ),
  openBesideBarre: rule(
    0.99,
    'per string',
    'the base of the index damps an open string just on the treble side',
  ),
  settle: rule(
    0.3,
    'per position up the neck, when the hand arrives',
    'a hand settles near the nut first; once it has settled, the notes there cost nothing more; our own value',
  ),
  stayHigh: rule(
    0.04,
    'per position and beat',
    'a hand that stays up the neck for long longs for the nut a little; our own value',
  ),
  stayHighAlone: rule(
    0.12,
    'per position and beat of a line without any other voice',
    'no harmony keeps the hand there; our own value',
  ),
  upTheNeck: rule(
    0.6,
    'per fret of the first places, on average',
    'a player looks for a note near the nut first; the fingers of a grip do not change it; our own value',
  ),
  shapeUp: rule(
    0.09,
    'per note of a shape set at once by a free hand, and position',
    'of two ways to hold a shape the one with the hand nearer the nut comes first; from the chord data',
  ),
  fretUp: rule(
    0.025,
    'per note set and fret',
    'of two places within the hand the one nearer the nut comes first; our own value',
  ),
  highOnLowString: rule(
    0.12,
    'per note set, fret above 4 and string above 2',
    'high on a low string is dark and out of tune',
  ),
  pastTheBody: rule(
    1,
    'per note set and fret above 12',
    'there the body of the guitar is in the way of the hand; our own value',
  ),
  stoppedBass: rule(
    1.3,
    'per stopped note',
    'a bass that an open string has rings there and leaves the fingers free; our own value',
  ),
  besideTremolo: rule(
    0.6,
    'per note below a tremolo on ②',
    'the thumb needs a string between itself and the fingers on ①; our own value',
  ),
  tremoloInside: rule(
    0.15,
    'per stroke of a tremolo on another string than ①',
    'on an inner string the fingers have no room; our own value',
  ),
  openAgainstHigh: rule(
    0.8,
    'per open note',
    'an open treble beside stopped notes high up changes the colour',
  ),
  openInHighLine: rule(
    0.75,
    'per open note',
    'an open treble in a tune that is stopped high up falls out of its colour; our own value',
  ),
  stringSkip: rule(0.127, 'per string skipped', 'a voice likes to stay on a string or move to its neighbour'),
  stepAcross: rule(
    1,
    'per string skipped by a tone or a semitone of a line',
    'notes a step apart belong on one string or on neighbours: beyond them the line breaks in two colours; our own value',
  ),
  crossed: rule(
    1,
    'per note of a line that falls by a third or less to a thinner string of the trebles',
    'there the strings contradict the ear: the right hand has to cross and players stumble; our own value',
  ),
  crossedReferenceTime: rule(0.4, 's', 'time in which such a crossing costs its full price'),
  pairSpread: rule(
    1.2,
    'per pair',
    'notes in parallel lie on the strings that their interval has in the hand; our own value',
  ),
  pairSpreadFirst: rule(
    0.5,
    'per first pair of a row',
    'the pair from which others move in parallel lies as they do, but where it comes from elsewhere; our own value',
  ),
  pairLeft: rule(
    1.6,
    'per pair',
    'notes in parallel keep their pair of strings, along which a finger leads; our own value',
  ),
  stayOnString: rule(
    0,
    'per note of a line on the string of the note before',
    'nothing, but where neighbouring notes are to ring over each other (campanella)',
  ),
  leaveString: rule(
    0,
    'per note of a line on another string than the note before',
    'nothing, but where a line is to sing on one string (legato)',
  ),
  stoppedInLine: rule(
    0,
    'per stopped note of a line',
    'nothing, but where a line is to ring on open strings (campanella)',
  ),
  openInLine: rule(0, 'per open note of a line', 'nothing, but where a line is to keep one colour (legato)'),
  shift: rule(3.2, 'per shift', 'moving the whole hand'),
  shiftDistance: rule(0.075, 'per cm', 'further is riskier, the more the less time there is'),
  shiftHaste: rule(
    0.7,
    'exponent of the reference time over the time there is',
    'between stopped notes a shift weighs more the faster they follow, and less where there is time; our own value',
  ),
  shiftHasteMost: rule(1.6, 'factor', 'the most that haste multiplies such a shift; it divides by no more'),
  shiftReferenceTime: rule(0.4, 's', 'time in which a shift is neither hurried nor easy'),
  shiftHurryLimit: rule(3, 'factor', 'the most that haste multiplies distance'),
  shiftOnOpen: rule(0.22, 'factor', 'while open strings ring nothing is cut; teachers move early to use one'),
  shiftOnOpenFar: rule(
    0.06,
    'share per position beyond five and haste',
    'an open string in fast notes gives the hand no time for a long way; our own value',
  ),
  shiftInRest: rule(0.48, 'factor', 'in a rest nothing is heard; our own value'),
  shiftCalm: rule(
    0.6,
    's',
    'a hand that nothing has held for longer settles anew rather than shifts: the whole cost falls with the time; our own value',
  ),
  shiftCalmLeast: rule(0.25, 'factor', 'but never below this share; our own value'),
  shiftGuided: rule(0.2, 'factor', 'a guide finger leads the hand'),
  shiftGuidedFar: rule(0.09, 'factor per fret beyond two', 'a guide leads less well over a long way'),
  shiftLedByLine: rule(
    0.65,
    'factor',
    'the finger that has just played the line leads less quietly than one that rests; our own value',
  ),
  shiftHolding: rule(1.2, 'factor', 'a note held through the shift ties the hand'),
  guideSlide: rule(0.1, 'per guide finger', 'the guide slides instead of being placed'),
  slideLast: rule(0.51, 'per finger', 'sliding the note just played breaks the line a little'),
  slideHaste: rule(
    2,
    'exponent of the hop reference time over the time there is',
    'in fast notes no finger glides unheard from the note that it has just played; our own value',
  ),
  slideHasteMost: rule(3, 'factor', 'as dear then as to slide without moving the hand; our own value'),
  slideInPosition: rule(
    1.55,
    'per finger, and up to twice that in fast notes',
    'one finger on two frets of a string without moving the hand',
  ),
  slideBeside: rule(
    0.5,
    'per finger and fret',
    'a finger of a chord slides while the others stay: it keeps its string and does not move the hand; our own value',
  ),
  hop: rule(0.72, 'per finger', 'the same finger on another string at once breaks the line'),
  hopReferenceTime: rule(0.3, 's', 'time in which a hop costs its full price'),
  blockHop: rule(
    0.2,
    'factor',
    'fingers that keep their shape move over the strings as one: less than a hop each; our own value',
  ),
  crossOver: rule(
    1.5,
    'per pair of fingers on one string',
    'a higher finger goes behind the one just played, or a lower one before it, while the hand stays: they pass over each other; our own value',
  ),
  crossInHand: rule(
    0.8,
    'per pair of fingers on two strings',
    'the same on another string: the hand twists; our own value',
  ),
  swapFinger: rule(0.7, 'per note', 'another finger on the same place'),
  stopRingingLater: rule(
    1.6,
    'per note',
    'a note of a broken chord is stopped by one that is not its neighbour; our own value',
  ),
  stopOpenLater: rule(
    3.4,
    'per note',
    'the same where an open string is stopped: a finger would have let the chord ring; our own value',
  ),
  stopRinging: rule(
    5.6,
    'per note',
    'two neighbouring notes of a broken chord on one string stop each other: the last resort, about as dear as a shift; our own value',
  ),
  stopAgain: rule(
    0.39,
    'factor',
    'where a note comes back to the string on which it was before the chord has been stopped already; our own value',
  ),
  liftBroken: rule(
    4,
    'per moment',
    'the hand leaves a broken chord in the middle of its pattern: it should have shifted between two chords; our own value',
  ),
  liftRinging: rule(1.2, 'per moment', 'a note of the arpeggio stops ringing; our own value'),
  liftRingingMore: rule(
    0.3,
    'per further note at the same moment',
    'where the hand leaves a broken chord, it leaves all of it; our own value',
  ),
  slurAcross: rule(4, 'per slur', 'a slur across strings is rarely playable; our own value'),
  slurSameFinger: rule(2.5, 'per slur', 'a slur needs two fingers or an open string; our own value'),
  slideBroken: rule(8, 'per slide', 'a written slide is one finger on one string; our own value'),
  cutHeld: rule(40, 'per note', 'a held note is cut; only when no hand could keep it'),
} as const satisfies Record<string, CostRule>;

export type LeftCostName = keyof typeof LEFT_COST_RULES;
export type LeftCosts = Readonly<Record<LeftCostName, number>>;

/** Terms under which costs are shown to the teacher. */
export const LEFT_TERMS = [
  'placing',
  'weak finger',
  'extension',
  'stretch',
  'barre',
  'height',
  'open string',
  'string change',
  'shift',
  'guide',
  'hop',
  'finger change',
  'ringing lifted',
  'slur',
  'held note cut',
] as const;
export type LeftTerm = (typeof LEFT_TERMS)[number];
