/** What is said of the log. */
export const LOG_EN = {
  'log.outcome.clean': 'clean',
  'log.outcome.nearly': 'nearly',
  'log.outcome.not-yet': 'not yet',
  'log.felt.easy': 'easy',
  'log.felt.right': 'right',
  'log.felt.hard': 'hard',
  'log.pain.left-fingers': 'fingers of the left hand',
  'log.pain.left-thumb': 'left thumb',
  'log.pain.left-wrist': 'left wrist',
  'log.pain.right-hand': 'right hand',
  'log.pain.forearm': 'forearm',
  'log.pain.shoulder-or-back': 'shoulder or back',
  'log.pain.numbness': 'numbness or tingling',
  'log.warm-up': 'warm-up',
  'log.piece': '{title}, the whole of it',
  'log.spot': '{title}, {several, select, yes {bars} other {bar}} {bars}',
  'log.spot-drill': '{title}, {several, select, yes {bars} other {bar}} {bars}: {drill}',
  'log.gone': 'a spot that is no longer there',
  'log.state.learning': 'learning',
  'log.state.polished': 'kept up',
  'log.state.warm-up': 'as a warm-up',
  'log.state.resting': 'resting',
  'log.why.pinned': 'your teacher wants it today',
  'log.why.new': 'new',
  'log.why.due': 'its turn',
  'log.why.goal-near': 'the day is near',
  'log.why.kept-up': 'kept up',
  'log.care.pain':
    'Something hurt or went numb. Stop what hurts; what asks for it rests for two days at least. If it stays or comes back, see a doctor or a hand therapist. This is general advice, no treatment.',

  'log.week.none': 'Nothing was logged.',
  'log.week.minutes':
    '{minutes, plural, one {# minute} other {# minutes}} on {days, plural, one {# day} other {# days}}; {agreed, plural, one {# day was} other {# days were}} agreed on.',
  'log.week.climbed': '{spot} went from {from, number} to {to, number}.',
  'log.week.begun': '{spot} is clean at {to, number}.',
  'log.week.reached': '{spot} has reached its tempo, {to, number}.',
  'log.week.still':
    '{spot} has stood still at {at, number} for three meetings: another drill, another fingering or a lower tempo would change it.',
  'log.week.still-begun':
    '{spot} was not clean at its first tempo in three meetings: another drill, another fingering or a lower tempo would change it.',
  'log.week.not-met': 'Not met: {spots}.',
  'log.week.hard': 'Felt hard: {spots}.',
  'log.week.pain': 'It hurt on {day}: {where}. Ask before anything else; what asks for it rests.',
  'log.week.remark': 'On {day}: “{remark}”',

  'log.forecast.too-early':
    'No forecast yet: {days, plural, one {# clean day is} other {# clean days are}} known, {needed, number} are needed.',
  'log.forecast.reached': 'At its tempo since {day}.',
  'log.forecast.on-its-way':
    'At its tempo about {day}, if it goes on like this; as a rule between {from} and {until}.',
  'log.forecast.not-at-this-pace':
    'Not at this pace: more minutes for this spot, a lower tempo or another fingering would change it.',
} as const;
