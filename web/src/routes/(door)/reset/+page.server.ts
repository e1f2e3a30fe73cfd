import { fail, redirect } from '@sveltejs/kit';
import { database, inTransaction } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { fieldsIn, textIn } from '$lib/server/forms.ts';
import { passwordChangedLetter } from '$lib/server/mail/letters.ts';
import { sendLater } from '$lib/server/mail/mail.ts';
import { addressOf, throttleHere, waitText } from '$lib/server/teachers/door.ts';
import { hashPassword, passwordSchema } from '$lib/server/teachers/passwords.ts';
import { closeSessions } from '$lib/server/teachers/sessions.ts';
import { findTeacher, setPasswordHash } from '$lib/server/teachers/teachers.ts';
import { findTicket, takeTicket } from '$lib/server/teachers/tickets.ts';
import { enter } from '$lib/server/teachers/visit.ts';
import type { Actions, PageServerLoad } from './$types';

const DEAD = 'This link does not work any more: it works once, and for an hour. Ask for a new one.';

export const load: PageServerLoad = async ({ url }) => {
  const token = url.searchParams.get('ticket') ?? '';
  const works = token !== '' && (await withDatabase(() => findTicket(database(), 'reset', token)));
  return { ticket: works ? token : undefined, problem: works ? '' : DEAD };
};

export const actions: Actions = {
  default: async (event) => {
    const fields = await fieldsIn(event.request);
    const token = textIn(fields, 'ticket');
    const counts = [['links', addressOf(event)]] as const;
    const seconds = await withDatabase(() => throttleHere().wait(counts));
    if (seconds > 0) return fail(429, { problem: waitText(seconds) });
    const password = passwordSchema.safeParse(textIn(fields, 'password'));
    if (!password.success) return fail(400, { problem: password.error.issues[0]!.message });
    const passwordHash = await hashPassword(password.data);
    const teacher = await withDatabase(() =>
      inTransaction(database(), async (client) => {
        const ticket = await takeTicket(client, 'reset', token);
        if (!ticket?.teacher) return undefined;
        await setPasswordHash(client, ticket.teacher, passwordHash);
        await closeSessions(client, ticket.teacher);
        return ticket.teacher;
      }),
    );
    if (!teacher) {
      await withDatabase(() => throttleHere().fail(counts));
      return fail(410, { problem: DEAD });
    }
    sendLater(database(), async () => {
      const { email } = (await findTeacher(database(), teacher)) ?? {};
      return email ? passwordChangedLetter(email, event.url.origin) : undefined;
    });
    await withDatabase(() => enter(event, teacher));
    redirect(303, '/');
  },
};
