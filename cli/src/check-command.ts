import { checkJson, type CheckJson } from '@oculon/core';
import { reportOn } from './planned-piece.ts';

const list = ({ piece, fixed, findings }: CheckJson): string =>
  [
    `${piece.title}: ${fixed} of ${piece.notes} notes are fingered in the file`,
    ...(findings.length === 0 ? ['Nothing to remark.'] : []),
    ...findings.map(({ severity, message }) => `${severity.padEnd(8)} ${message}`),
    '',
  ].join('\n');

/** `oculon check FILE`: what a player will stumble over in the fingering of a file; what it leaves open is proposed. */
export const check = (args: readonly string[]): Promise<0 | 1> => reportOn(args, checkJson, list);
