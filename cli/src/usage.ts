import {
  DENSITIES,
  DEPTHS,
  HAND_SIZES,
  LANGUAGES,
  LEFT_SCHOOLS,
  RIGHT_SCHOOLS,
  SCALE_LENGTHS,
} from '@oculon/core';

export const USAGE = `Usage: oculon plan FILE [options]     a fingering for both hands
       oculon right FILE [options]    the right hand in figures
       oculon marks FILE [options]    which marks a page needs, from which a reader gets the rest
       oculon walk FILE [options]     the piece in words, as a teacher walks a student through it
       oculon sound FILE [options]    what is heard of it, as MIDI or string by string
       oculon check FILE [options]    what a player will stumble over in the file's own fingering
       oculon drill KIND [NAME=VALUE …] [options]   a drill of technique, made and fingered
       oculon drill list [--json]     every kind of drill, and what can be set
       oculon practice FILE… --until DATE [options]   hard spots, and a calendar of practice

FILE is a guitar piece in MusicXML (.musicxml, .xml, .mxl).

  --json              print oculon.plan/1, oculon.right/1, oculon.marks/1,
                      oculon.walk/1, oculon.sound/1, oculon.check/1,
                      oculon.drills/1, oculon.drill/1 or oculon.practice/1
  --out FILE          (plan, drill) write the piece with the fingering as MusicXML
  --tablature         (plan, with --out) add a staff of six lines with string and fret under the notes
  --depth D           (walk) ${DEPTHS.join(', ')}
  --bars A-B          (plan, walk) report only these bars (counted from 1)
  --midi FILE         (sound) write a Standard MIDI File
  --as-written        (sound) every note for its written length
  --once              (sound) without repeats and jumps
  --density D         (marks) ${DENSITIES.join(', ')}
  --minutes N         (practice) minutes on a day of practice, 30 when not told
  --days N            (practice) days a week, 5 when not told
  --from, --until DATE  (practice) first day, today when not told, and the day to be ready
  --tempo N           working tempo in quarters a minute
  --left SCHOOL       ${LEFT_SCHOOLS.join(', ')}
  --right SCHOOL      ${RIGHT_SCHOOLS.join(', ')}
  --tremolo ORDER     order of the fingers in tremolo, such as pami
  --hand SIZE         ${Object.keys(HAND_SIZES).join(', ')}
  --scale-length MM   ${SCALE_LENGTHS.join(', ')} or any length between 400 and 700
  --lang LANGUAGE     ${LANGUAGES.join(', ')}: of what is said of the piece
  --part NAME         the part to read when there are several (id, name or place)

Exit code: 0 done, 1 the piece could not be read or written, 2 the command is wrong.
`;

/** The command line itself is wrong. */
export class UsageError extends Error {}
