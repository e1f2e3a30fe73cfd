import { HAND_SIZES, LEFT_SCHOOLS, RIGHT_SCHOOLS, SCALE_LENGTHS } from '@oculon/core';

export const USAGE = `Usage: oculon plan FILE [options]

Proposes a fingering for both hands of a guitar piece in MusicXML (.musicxml, .xml, .mxl).

  --json              print the plan as oculon.plan/1
  --out FILE          write the piece with the fingering as MusicXML
  --tempo N           working tempo in quarters a minute
  --bars A-B          report only these bars (counted from 1)
  --left SCHOOL       ${LEFT_SCHOOLS.join(', ')}
  --right SCHOOL      ${RIGHT_SCHOOLS.join(', ')}
  --hand SIZE         ${Object.keys(HAND_SIZES).join(', ')}
  --scale-length MM   ${SCALE_LENGTHS.join(', ')} or any length between 400 and 700
  --part NAME         the part to read when there are several (id, name or place)

Exit code: 0 done, 1 the piece could not be read or written, 2 the command is wrong.
`;

/** The command line itself is wrong. */
export class UsageError extends Error {}
