import { fail, redirect } from '@sveltejs/kit';
import { humanText, LANGUAGES, NOTE_NAMES } from '@oculon/core';
import * as z from 'zod';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { fieldsIn, problemsOf, textIn } from '$lib/server/forms.ts';
import { sessionIdSchema } from '$lib/server/ids.ts';
import { passwordChangedLetter } from '$lib/server/mail/letters.ts';
import { sendLater } from '$lib/server/mail/mail.ts';
import { visitorIn } from '$lib/server/own.ts';
import { addressOf, throttleHere, waitText } from '$lib/server/teachers/door.ts';
import { hashPassword, isPassword, passwordSchema } from '$lib/server/teachers/passwords.ts';
import { closeSession, closeSessions, listSessions } from '$lib/server/teachers/sessions.ts';
import {
  credentialsOf,
  DELETION_PAUSE,
  findTeacher,
  keepAccount,
  requestDeletion,
  setPasswordHash,
  updateTeacher,
} from '$lib/server/teachers/teachers.ts';
import { leave } from '$lib/server/teachers/visit.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => {
  const { teacher, session } = visitorIn(locals);
  const [account, sessions, credentials] = await withDatabase(() =>
    Promise.all([
      findTeacher(database(), teacher),
      listSessions(database(), teacher),
      credentialsOf(database(), teacher),
    ]),
  );
  return {
    account,
    sessions: sessions.map((each) => ({ ...each, isThis: each.id === session })),
    hasPassword: typeof credentials?.passwordHash === 'string',
    pause: DELETION_PAUSE,
  };
};

const profileSchema = z.object({
  name: humanText(1, 100),
  language: z.enum(LANGUAGES),
  noteNames: z.enum(NOTE_NAMES),
});

export const actions: Actions = {
  profile: async ({ request, locals }) => {
    const fields = await fieldsIn(request);
    const profile = profileSchema.safeParse(Object.fromEntries(fields));
    if (!profile.success) return fail(400, { part: 'profile', problems: problemsOf(profile.error) });
    await withDatabase(() => updateTeacher(database(), visitorIn(locals).teacher, profile.data));
    return { part: 'profile', done: 'Kept.' };
  },

  password: async (event) => {
    const { teacher, session } = visitorIn(event.locals);
    const fields = await fieldsIn(event.request);
    const counts = [['pair', `${teacher} ${addressOf(event)}`]] as const;
    const seconds = await withDatabase(() => throttleHere().wait(counts));
    if (seconds > 0) return fail(429, { part: 'password', problems: { old: waitText(seconds) } });
    const credentials = await withDatabase(() => credentialsOf(database(), teacher));
    if (!(await isPassword(credentials?.passwordHash, textIn(fields, 'old')))) {
      await withDatabase(() => throttleHere().fail(counts));
      return fail(400, { part: 'password', problems: { old: 'This is not the password so far.' } });
    }
    const password = passwordSchema.safeParse(textIn(fields, 'password'));
    if (!password.success)
      return fail(400, { part: 'password', problems: { password: password.error.issues[0]!.message } });
    const passwordHash = await hashPassword(password.data);
    await withDatabase(async () => {
      await setPasswordHash(database(), teacher, passwordHash);
      await closeSessions(database(), teacher, session);
    });
    sendLater(database(), async () => {
      const { email } = (await findTeacher(database(), teacher)) ?? {};
      return email ? passwordChangedLetter(email, event.url.origin) : undefined;
    });
    return { part: 'password', done: 'The password is changed; every other browser is signed out.' };
  },

  close: async ({ request, locals }) => {
    const { teacher } = visitorIn(locals);
    const session = sessionIdSchema.safeParse(textIn(await fieldsIn(request), 'session'));
    if (session.success) await withDatabase(() => closeSession(database(), teacher, session.data));
    return { part: 'sessions', done: 'Signed out there.' };
  },

  everywhere: async (event) => {
    const { teacher } = visitorIn(event.locals);
    await withDatabase(async () => {
      await closeSessions(database(), teacher);
      await leave(event);
    });
    redirect(303, '/sign-in');
  },

  delete: async ({ request, locals }) => {
    const { teacher } = visitorIn(locals);
    const fields = await fieldsIn(request);
    const account = await withDatabase(() => findTeacher(database(), teacher));
    if (textIn(fields, 'name').trim() !== account?.name)
      return fail(400, { part: 'delete', problems: { confirm: 'Type your name as it stands above.' } });
    await withDatabase(() => requestDeletion(database(), teacher));
    return { part: 'delete', done: '' };
  },

  keep: async ({ locals }) => {
    await withDatabase(() => keepAccount(database(), visitorIn(locals).teacher));
    return { part: 'delete', done: 'The account stays.' };
  },
};
