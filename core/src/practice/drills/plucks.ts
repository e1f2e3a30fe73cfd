import { choice } from './parameter.ts';

/** Which fingers play a line in turn; `planned` leaves it to the planner. */
export const LINE_FINGERS = ['planned', 'im', 'mi', 'ma', 'am', 'ia', 'ai', 'pi', 'ami', 'ima'] as const;
export type LineFingers = (typeof LINE_FINGERS)[number];
export const lineFingers = choice(LINE_FINGERS, 'im');

/** What is written at the note of a line: the finger whose turn it is. */
export const pluckOf = (fingers: LineFingers, index: number): { readonly pluck?: string } =>
  fingers === 'planned' ? {} : { pluck: fingers[index % fingers.length]! };
