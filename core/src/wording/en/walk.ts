/** What a teacher says while walking a student through a piece; `where` is a note with its string and fret. */
export const WALK_EN = {
  'walk.bar': 'bar {bar}',
  'walk.bars': 'bars {from}–{to}',
  'walk.beat': 'beat {beat}',
  'walk.and': 'the “and” of {beat}',
  'walk.until.beat': '{beat}',
  'walk.until.bar': 'bar {bar}',
  'walk.until.bar-beat': 'bar {bar}, {beat}',
  'walk.until.end-of-bar': 'the end of the bar',
  'walk.until.end-of': 'the end of bar {bar}',
  'walk.note': '{finger} on {note}, {string} fret {fret}',
  'walk.note-open': 'open {note}, {string}',
  'walk.short-note': '{finger} on {string}',
  'walk.position': 'Position {position}{led, select, yes {: {lead}} other {}}.',
  'walk.shift.open-string':
    'While the open {ringing} rings, move to position {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.open-string-unnamed':
    'While an open string rings, move to position {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.rest': 'In the silence move to position {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.staccato':
    'The note before is short: move to position {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.guide':
    'Glide to position {to}{glides, select, yes { with {finger} along {string}, from fret {fromFret} to fret {fret}} other {{led, select, yes {; {lead}} other {}}}}.',
  'walk.shift.repeat': 'Move on the repeated note to position {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.bass':
    'While the bass rings alone, move to position {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.none':
    'Move to position {to}{led, select, yes {; {lead}} other {}}. Nothing covers this shift{cut, select, yes {: let {cutNote} go just before} other {: go light and in time}}.',
  'walk.guide':
    '{heard, select, yes {Slide, heard,} other {Glide}} with {finger} along {string} from fret {fromFret} to fret {fret}.',
  'walk.barre':
    '{lies, select, full {Barre} partial {Half barre} other {Hinge barre}} with {finger} at fret {fret}, {strings}{last, select, yes {, to the end} other {, until {until}}}{laid, select, yes {; lay it down from the tip that is there already} other {}}{lies, select, hinge {; for the open string its base lifts, the tip stays} other {}}.{mayGo, select, yes { Let go as soon as its notes end.} other {}}',
  'walk.keep.pivot': 'Leave {finger} on {note}, {string}, until {until}: the hand turns round it.',
  'walk.keep.common': 'Leave {finger} on {note}, {string}: it is needed again at {until}.',
  'walk.keep.keep-down': 'Keep {finger} down on {note}, {string}: it comes back at {until}.',
  'walk.keep.sounds': '{finger} stays on {note}, {string}, until {until}.',
  'walk.block': 'Set {fingers} together{named, select, yes { ({chord})} other {}}.',
  'walk.early':
    '{pulls, select, yes {Have {where} down before you pull off.} other {Set {where}, already now: it sounds at {sounds}.}}',
  'walk.finger': '{where}: {instead} stays on {on}.',
  'walk.place.busy': '{where}: {busyString} is busy with {busy}.',
  'walk.place.stopped': 'Not where you expect it: {where}.',
  'walk.place.open': 'Take {where}, here.',
  'walk.pattern.begins': '{tremolo, select, yes {Tremolo} other {The right hand}}: {order}, and so on.',
  'walk.pattern.returns': 'The right hand goes back to {order}.',
  'walk.pattern.once': 'This once the right hand plays {order}.',
  'walk.alternate': '{first} and {second} alternate; begin with {first}.',
  'walk.crossing': '{finger} comes after {after} on {string}: the fingers cross, keep the hand still.',
  'walk.strum':
    '{finger} brushes the chord {direction, select, outward {from the bass to the treble} other {from the treble to the bass}}.',
  'walk.harmonic':
    'Harmonic: touch {string} over fret {node} {by, select, left {with {finger}} other {with the right index, and pluck behind it}}.',
  'walk.damp.one':
    '{means}: {note} on {string} would sound into {into, select, rest {the silence} other {the {intoNote}}}.',
  'walk.damp.run': 'Stop each bass with the next, {run} in a row: {means}.',
  'walk.damp.means.thumb-rest-stroke': 'Let the thumb come to rest on {string}',
  'walk.damp.means.thumb-side': 'Lean the side of the thumb on {string}',
  'walk.damp.means.palm': 'Lay the palm on the strings',
  'walk.damp.means.left-tip': 'Let the fingertip beside it touch {string}',
  'walk.damp.means.thumb-back': 'Let the thumb fall back on {string}',
  'walk.damp.means.left-touch': 'Touch {string} with a free finger of the left hand',
  'walk.cut':
    '{open, select, yes {Open {note}} other {{finger} on {note}}}, {string}, lasts only until {until}: {wanted, select, yes {let it go there} other {no hand could hold it longer}}.',
  'walk.lift': 'Lift {finger} at the rest: {note}, {string}, ends there.',
  'walk.reserve': 'Keep {finger} free for the chord at {until}.',
  'walk.stumble': 'Careful: {where}. It is lower than the note before, but on a higher string.',
  'walk.stretch': 'A wide stretch between {lower} and {higher}: open the hand slowly, and stop if it hurts.',
  'walk.tiring': 'The barre at fret {fret} is long: rest before it tires, and stop if it hurts.',
  'walk.upbeat': 'The upbeat belongs to what follows: no gap after it.',
  'walk.dotted':
    'Do not shorten the dotted {note}: {before, select, short {the shift waits for its end} other {the short note keeps its place, then comes the shift}}.',
  'walk.slur': '{rising, select, yes {Hammer {to} on} other {Pull off from {from} to {to}}}, {string}.',
  'walk.return': 'As {several, select, yes {} other {}}{bars}.',
  'walk.brief.positions': '{count, plural, =1 {Position {list}} other {Positions {list}}}.',
  'walk.brief.danger': 'Careful in bar {bar}. {sentence}',
  'walk.shape-finger': '{finger} on {strings} fret {fret}',
  'walk.shape':
    '{when}: {named, select, yes {{chord}, } other {}}{stopped, select, yes {{fingers}{open, select, none {} other {; open {open}}}} other {open {open}}}.{stays, select, none {} other { {stays} {many, select, yes {stay} other {stays}} for the next.}}',
  'walk.slow.plays': '{when}: {plays}.',
  'walk.slow.strike': '{pluck, select, none {} other {{pluck} plays }}{where}',
  'walk.slow.slurred': '{where}, by the left hand alone',
  'walk.slow.down': 'Down already: {fingers}.',
  'walk.slow.lifts': 'Lift {fingers}.',
  'walk.changed': '{now}; before, {before}.',
  'walk.changed.pluck': '{now} plucks {note}; before, {before}.',
  'walk.changed.left-out': '{note} left out',
} as const;
