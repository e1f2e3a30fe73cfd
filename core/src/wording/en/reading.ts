/** What is said of files: why they cannot be read, and what was mended in them. */
export const READING_EN = {
  'problem.empty': 'The file is empty. Export the piece again from your notation program.',
  'problem.too-large':
    '{what, select, archive {The archive} unpacked {What is packed in this archive} other {The file}} is larger than {most, number} MB, more than any guitar piece needs. Export the guitar part alone.',
  'problem.too-much-work':
    'The file takes more than {seconds, number} seconds, or more memory than any guitar piece needs, to be read. Export the guitar part alone.',
  'problem.busy': 'Many scores are being read just now. Nothing was imported; try again in a minute.',
  'problem.undecodable':
    '{known, select, yes {The text of the file is not {encoding}, as it should be{line, plural, =0 {} other { (line {line, number, ::group-off})}}. Export the piece again as MusicXML in UTF-8, or correct what its first line says of the encoding.} other {The file says that its text is written as “{encoding}”, which is not known here. Export the piece again as MusicXML in UTF-8.}}',
  'problem.damaged-archive':
    'The file is a damaged archive. Save it again as MusicXML in your notation program.',
  'problem.no-score-in-archive':
    'This archive holds no score. Choose a .musicxml, .xml or .mxl file that your notation program exported.',
  'problem.not-xml':
    'The file is not well-formed XML (line {line, number, ::group-off}: {detail}).{xml, select, yes {} other { It does not look like XML at all.}} Export the piece again as MusicXML from your notation program.',
  'problem.not-musicxml':
    'This XML file is not a score: it begins with {root}. Choose a score that your notation program exported as MusicXML (.musicxml, .xml or .mxl).',
  'problem.no-notes':
    '{named, select, yes {The part “{part}” holds no notes. Choose another part or another file.} other {There are no notes in this score. Choose a score that your notation program exported as MusicXML (.musicxml, .xml or .mxl).}}',
  'problem.choose-part':
    '{asked, select, yes {There is no part “{wanted}”} other {This score has several parts}}. Choose the guitar: {parts}.',
  'problem.bad-note':
    'Bar {bar}, voice {voice}: a note has no readable pitch (line {line, number, ::group-off} of the file). Correct it in your notation program.',
  'problem.below-range':
    'Bar {bar}, voice {voice}: {pitch} (sounding) {seventh, select, yes {needs the seventh string, and Oculon plans for six. Move the note up an octave, or arrange the piece for six strings, and import it again} other {lies below the lowest string. Move the note up an octave, or, if the file is written as it sounds, give its staff a treble clef with an 8 below, and import it again}}.',
  'problem.above-range':
    'Bar {bar}, voice {voice}: {pitch} (sounding) lies above the fingerboard. Move the note down an octave and import it again.',
  'repair.bar-too-full':
    'Bar {bar}, voice {voice}, holds {holds} quarters where {meter} has room for {room}. It is read as a longer bar; correct it in your notation program and import it again.',
  'repair.bar-not-full':
    'Bar {bar} holds {holds} quarters where {meter} needs {room}. The rest of the bar is read as silence.',
  'repair.missing-duration':
    'Bar {bar}, voice {voice}: {printed, select, yes {a note without a duration was read as its printed {type} note.} other {a note without duration and type was read as a quarter. Correct it in your notation program.}}',
  'repair.missing-divisions': 'Bar {bar}: the file does not say how long a quarter is; it was read as 1.',
  'repair.unknown-string':
    'Bar {bar}, voice {voice}, beat {beat}: string {string} does not exist on a guitar with six strings and was left out.',
  'repair.unreachable-string':
    'Bar {bar}, voice {voice}, beat {beat}: this pitch does not exist on string {string}, whose open sound is {open}; the string was left out.',
  'repair.wrong-fret':
    'Bar {bar}, voice {voice}, beat {beat}: fret {fret} on string {string} is not the written pitch; the string was kept and the fret follows from the pitch.',
  'repair.tuning-lowered':
    'Bar {bar} asks for {pitch}, below the open ⑥: the piece is read with ⑥ tuned down to it.',
  'repair.unpitched-left-out': '{bars}: sounds without pitch were left out of the plan; the file keeps them.',
  'repair.tie-without-start': 'Bar {bar}, voice {voice}: a tie begins nowhere; the note is struck.',
  'repair.rounded-time': 'Bar {bar}: a duration does not fit the file’s own time grid and was rounded.',
  'repair.number-out-of-range':
    'Bar {bar}: {name} is “{text}” (line {line, number, ::group-off} of the file), which no score can mean; it was read as if it were not there. Correct it in your notation program.',
  'repair.octave-settled':
    '{by, select, frets {The strings and frets that the file writes show} other {The range of the guitar shows}} that its notes stand {sounding, select, yes {as they sound} other {an octave above what sounds}}; they are read so. If that is wrong, change the octave in the setup.',
  'repair.tuning-read': 'The file asks for the tuning {tuning}; the piece is read in it.',
  'repair.tuning-corrected':
    'The strings and frets that the file writes agree with {standard, select, yes {standard tuning} other {the tuning {tuning}}}; the piece is read in it. Change the tuning in the setup if it is another one.',
  'repair.capo-fingered':
    'The notes are written as they are fingered above the capo at fret {capo, number}; they sound {capo, plural, =1 {a semitone} other {# semitones}} higher and are planned there.',
  'repair.cue-left-out': '{bars}: cue notes are not fingered; they keep their time, and the file keeps them.',
  'repair.hidden-left-out':
    '{bars}: notes that are not printed are not fingered; they keep their time, and the file keeps them. Show them in your notation program if they are to be played.',
  'repair.quarter-tone':
    '{bars}: quarter-tones have no fret; each was read as the semitone beside it, toward the natural note. The file keeps them.',
  'repair.simile':
    '{bars}: signs for repeating the music before (simile) are not written out: such bars are read with the notes that stand in the file and no others. Write them out in your notation program to have them fingered.',
  'repair.seven-strings':
    'The file is written for more than six strings; Oculon plans for six and reads them as the highest six.',
  'bars.listed': '{count, plural, =1 {Bar} other {Bars}} {bars}{more, plural, =0 {} other { and # more}}',
  'note-type':
    '{type, select, maxima {maxima} long {long} breve {breve} whole {whole} half {half} quarter {quarter} eighth {eighth} other {{type}}}',
} as const;
