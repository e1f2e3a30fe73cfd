import { fail, redirect } from '@sveltejs/kit';
import { humanText } from '@oculon/core';
import * as z from 'zod';
import { database, inTransaction } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { fieldsIn, problemsOf, textIn } from '$lib/server/forms.ts';
import { invitationLetter, knownAddressLetter } from '$lib/server/mail/letters.ts';
import { sendLater } from '$lib/server/mail/mail.ts';
import { addressOf, isOpen, throttleHere, waitText } from '$lib/server/teachers/door.ts';
import { hashPassword, passwordSchema } from '$lib/server/teachers/passwords.ts';
import { emailSchema, findCredentials, insertTeacher, type Email } from '$lib/server/teachers/teachers.ts';
import { createInvitation, findTicket, takeTicket } from '$lib/server/teachers/tickets.ts';
import { enter } from '$lib/server/teachers/visit.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
  const token = url.searchParams.get('ticket');
  const ticket = token ? await withDatabase(() => findTicket(database(), 'invitation', token)) : undefined;
  return {
    isOpen: isOpen(),
    ticket: ticket ? { token: token!, email: ticket.email } : undefined,
    isDead: token !== null && !ticket,
  };
};

const accountSchema = z.object({ name: humanText(1, 100), email: emailSchema, password: passwordSchema });
const TAKEN = 'There is an account for this address already. Sign in, or ask for a new password.';

/** The letter that follows a wish for an account: the same answer for known and unknown addresses, a different letter. */
const letterFor = async (email: Email, origin: string) =>
  (await findCredentials(database(), email))
    ? knownAddressLetter(email, origin)
    : invitationLetter(email, origin, await createInvitation(database(), email));

export const actions: Actions = {
  ask: async (event) => {
    const fields = await fieldsIn(event.request);
    const email = textIn(fields, 'email');
    if (!isOpen()) return fail(403, { email, problems: { email: 'The operator of this server invites.' } });
    const address = emailSchema.safeParse(email);
    if (!address.success) return fail(400, { email, problems: { email: 'This is no mail address.' } });
    const counts = [['links', addressOf(event)]] as const;
    const seconds = await withDatabase(() => throttleHere().wait(counts));
    if (seconds > 0) return fail(429, { email, problems: { email: waitText(seconds) } });
    await withDatabase(() => throttleHere().fail(counts));
    sendLater(database(), () => letterFor(address.data, event.url.origin));
    return { sent: address.data };
  },
  create: async (event) => {
    const fields = await fieldsIn(event.request);
    const token = textIn(fields, 'ticket');
    const asked = await withDatabase(() => findTicket(database(), 'invitation', token));
    const counts = [['links', addressOf(event)]] as const;
    if (!asked) {
      await withDatabase(() => throttleHere().fail(counts));
      return fail(410, { problems: { ticket: 'This link does not work any more. Ask for a new one.' } });
    }
    const account = accountSchema.safeParse({
      name: textIn(fields, 'name'),
      email: asked.email ?? textIn(fields, 'email'),
      password: textIn(fields, 'password'),
    });
    if (!account.success)
      return fail(400, {
        name: textIn(fields, 'name'),
        email: textIn(fields, 'email'),
        problems: problemsOf(account.error),
      });
    const { name, email, password } = account.data;
    const passwordHash = await hashPassword(password);
    const teacher = await withDatabase(() =>
      inTransaction(database(), async (client) => {
        if (!(await takeTicket(client, 'invitation', token))) return undefined;
        return insertTeacher(client, { name, email, passwordHash });
      }),
    );
    if (!teacher) return fail(409, { name, email, problems: { email: TAKEN } });
    await withDatabase(() => enter(event, teacher));
    redirect(303, '/');
  },
};
