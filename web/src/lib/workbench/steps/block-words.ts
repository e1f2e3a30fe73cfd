import { stringSign, type Block } from '@oculon/core';

/** The shape of a block, bass string first: `⑤3 ④2 ③0 ②1`. Digits are fingers. */
export const blockWords = ({ shape }: Block): string =>
  shape.map(({ string, finger }) => `${stringSign(string)}${finger}`).join(' ');
