import { checkJson, findingText, type CheckJson, type Wording } from '@oculon/core';
import { reportOn } from './planned-piece.ts';

const SEVERITY_WIDTH = 8;

const list = ({ say }: Wording, { piece, fixed, findings }: CheckJson): string =>
  [
    say('command.fixed-notes', { title: piece.title, fixed, notes: piece.notes }),
    ...(findings.length === 0 ? [say('command.nothing-to-remark')] : []),
    ...findings.map(
      ({ severity, message }) => `${say(`severity.${severity}`).padEnd(SEVERITY_WIDTH)} ${message}`,
    ),
    '',
  ].join('\n');

/** `oculon check FILE`: what a player will stumble over in the fingering of a file; what it leaves open is proposed. */
export const check = (args: readonly string[]): Promise<0 | 1> =>
  reportOn(args, (plan, wording) => checkJson(plan, (finding) => findingText(wording, finding)), list);
