import type { Language, NoteNames } from '@oculon/core';
import type { Lesson } from '../lesson/lesson.ts';
import type { HandoutRequest, RenewalRequest } from './handout-request.ts';

/** A student of the teacher, as far as handing out goes. */
export interface Recipient {
  readonly id: string;
  readonly name: string;
  readonly language: Language;
  readonly noteNames: NoteNames;
}

/** A link that was just made, and for whom. */
export interface MadeLink {
  readonly recipient: string;
  readonly link: string;
}

const NOT_REACHED = 'The server could not be reached.';
const NOT_DONE = 'That did not work. Try again in a moment.';

const ask = async <T>(path: string, method: string, body?: unknown): Promise<T> => {
  const answer = await fetch(path, {
    method,
    ...(body !== undefined && {
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }),
  }).catch(() => {
    throw new Error(NOT_REACHED);
  });
  const read = (await answer.json().catch(() => ({}))) as T & { message?: string };
  if (!answer.ok) throw new Error(read.message ?? NOT_DONE);
  return read;
};

/** Makes a page and the link that opens it; throws an `Error` that tells why not. */
export const giveOut = async (fingering: string, request: HandoutRequest): Promise<MadeLink> => {
  const { link } = await ask<{ link: string }>(`/api/fingerings/${fingering}/handouts`, 'POST', request);
  return { recipient: request.recipient, link };
};

/** What is asked for a student: in their language and, when wanted, for their hand. */
export const requestFor = (
  { id, name, language, noteNames }: Recipient,
  { lesson, remarks, days, ownHand }: Omit<HandoutRequest, 'recipient' | 'student'>,
): HandoutRequest => ({
  lesson: { ...lesson, language, noteNames },
  remarks,
  recipient: name,
  days,
  student: id,
  ownHand,
});

/** Lets a link show the sheet as it stands now; tells how many notes are taken otherwise than before. */
export const renew = async (handout: string, lesson: Lesson, remarks: string): Promise<number> => {
  const request: RenewalRequest = { lesson, remarks };
  return (await ask<{ changed: number }>(`/api/handouts/${handout}`, 'PUT', request)).changed;
};

export const takeBack = (handout: string): Promise<unknown> => ask(`/api/handouts/${handout}`, 'DELETE');
