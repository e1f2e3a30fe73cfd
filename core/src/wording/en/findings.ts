/** What findings say. Places, pitches and lists come as text in the language; `string` is a number. */
export const FINDINGS_EN = {
  'place.bar-beat': 'Bar {bar}, beat {beat}',
  'place.bar-beat-within': 'bar {bar}, beat {beat}',
  'finding.unplayable-note': '{place}: {pitch} cannot be played: {why}. See its ways out.',
  'unplayable.nowhere': '{pitch} lies on no string of this guitar',
  'unplayable.one-string': '{pitches} both need string {string}',
  'unplayable.too-far': '{pitches} lie too far apart for this hand',
  'unplayable.too-many-strings': 'more notes are struck at once than there are strings for them',
  'unplayable.too-many-fingers': 'the notes struck at once need more than this hand can reach together',
  'unplayable.fixed-around': 'what is fixed for the notes around it leaves no grip',
  'finding.lock-not-kept':
    '{place}: the fingering fixed for {pitch} cannot be held with the notes struck beside it; it was set aside.',
  'finding.held-note-cut':
    '{place}: {pitch} cannot be held for its whole length; its finger or string is needed before it ends. See its ways out.',
  'finding.rule-not-kept': '{place}: {rule}.',
  'broken-rule.stopped': '{pitch} can only be played open here; the passage asks for no open strings',
  'broken-rule.no-barre': '{pitch} needs a finger that lies flat; the passage asks for no barre',
  'broken-rule.barre': '{pitch} cannot be taken with the barre the passage asks for',
  'broken-rule.position':
    'the hand cannot stay in the position the passage asks for; it leaves it for {pitch}',
  'finding.return-differs':
    'Bar {bar} returns as bar {like} but is fingered otherwise: {forced, select, yes {what surrounds it does not allow the same} other {the same would cost {price, number, ::.0} more here}}.',
  'finding.pluck-lock-not-kept':
    '{place}: the right-hand finger fixed for {pitch} would cross its neighbours in the chord; it was set aside.',
  'finding.school-not-kept':
    '{place}: the alternation asked for cannot hold at {pitch}; what is fixed around it leaves no other finger.',
  'finding.pattern-not-kept':
    '{place}: the pattern asks for {finger} at {pitch}, which another finger has to play.',
  'finding.search-not-exhaustive':
    'The piece has moments with more possibilities than were searched; a slightly better fingering may exist.',
  'finding.gap-at-shift':
    '{place}: the hand goes from position {from} to {to} ({mm, number, ::precision-integer} mm) in {ms, number, ::precision-integer group-off} ms with nothing to ride on; a gap before {pitch} is likely.',
  'finding.upbeat-torn':
    '{place}: a shift tears the upbeat from its downbeat; take the upbeat in the new position already.',
  'finding.dotted-shrinks':
    '{place}: the hand moves {before, select, short {between the dotted {pitch} and its short note} other {right after the short note of the dotted {pitch}}}; the rhythm tends to shrink.',
  'finding.lower-on-higher-string':
    '{place}: {pitch} is lower than the note before but lies on a higher string; players stumble here.',
  'finding.finger-needed-twice':
    '{place}: finger {finger} is still needed when it must go to {pitch}; the line breaks.',
  'finding.wide-stretch':
    '{place}: fingers {lower} and {higher} open {mm, number, ::precision-integer} mm beyond what is comfortable. {caution}',
  'finding.barre-too-long':
    '{place}: the barre at fret {fret} lies for {seconds, number, ::.0} s; release it wherever no note needs it. {caution}',
  'finding.slur-trouble': '{place}: the slur to {pitch} {trouble}.',
  'slur-trouble.across-strings':
    'leads across strings and cannot be slurred by the left hand alone; pluck it, or choose another string',
  'slur-trouble.same-finger': 'needs two fingers or an open string, but one finger plays both notes',
  'slur-trouble.finger-not-free': 'needs the lower finger down already, but it holds another note',
  'slur-trouble.weak-pair': 'lies on 3 and 4, the weakest pair; give it time or another finger',
  'finding.string-left-ringing':
    '{place}: the open {pitch} on string {string} rings on into {into, select, rest {a rest} other {this bass}}: {means}.',
  'finding.crossing-where-busy':
    '{place}: the right hand crosses at {pitch}, just where the left hand is busiest.',
  'finding.repeat-at-speed':
    '{place}: {finger} plays twice within {ms, number, ::precision-integer group-off} ms at {pitch}.',
  'finding.open-for-stopped': '{place}: {pitch} is played open where the source writes finger {finger}.',
  'finding.stopped-for-open':
    '{place}: {pitch} is stopped with finger {finger} where the source writes the open string.',
  'finding.position-mark-missing':
    '{place}: the hand moves to position {position} for {pitch}, but nothing that is written says so; write the position, a finger or a string.',
  'finding.source-unplayable':
    '{place}: the source’s own fingering of {pitch} cannot be held with the notes struck beside it; no hand can play it as written, and it was set aside.',
  'finding.jump-not-made':
    '{place}: after bar {after} the music jumps to bar {to}; {hasty, select, yes {the hand has {ms, number, ::precision-integer group-off} ms to go from position {from} to {position} ({mm, number, ::precision-integer} mm) with nothing to ride on} other {what is held there must be let go before its end to reach {pitch}}}.',
  caution: 'General advice: stop when it hurts, and ask a doctor or hand therapist if it stays.',
  'severity.error': 'error',
  'severity.warning': 'warning',
  'severity.remark': 'remark',
  'fix.as-first-time': 'Finger it as the first time',
  'fix.as-source': 'Take it as the source writes',
  'fix.write-position': 'Write the position',
  'fix.write-damping': 'Write the damping sign',
  'fix.slur-to-it': 'Slur to it',
  'fix.pluck-instead': 'Pluck it instead',
} as const;
