import { fail } from '@sveltejs/kit';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { fieldsIn, textIn } from '$lib/server/forms.ts';
import { resetLetter } from '$lib/server/mail/letters.ts';
import { sendLater } from '$lib/server/mail/mail.ts';
import { addressOf, throttleHere, waitText } from '$lib/server/teachers/door.ts';
import { emailSchema, findCredentials, type Email } from '$lib/server/teachers/teachers.ts';
import { createReset } from '$lib/server/teachers/tickets.ts';
import type { Actions } from './$types';

const letterFor = async (email: Email, origin: string) => {
  const known = await findCredentials(database(), email);
  return known && resetLetter(email, origin, await createReset(database(), known.id));
};

export const actions: Actions = {
  default: async (event) => {
    const email = textIn(await fieldsIn(event.request), 'email');
    const address = emailSchema.safeParse(email);
    if (!address.success) return fail(400, { email, problem: 'This is no mail address.' });
    const counts = [['links', addressOf(event)]] as const;
    const seconds = await withDatabase(() => throttleHere().wait(counts));
    if (seconds > 0) return fail(429, { email, problem: waitText(seconds) });
    await withDatabase(() => throttleHere().fail(counts));
    // The same answer in the same time, whoever has the address.
    sendLater(database(), () => letterFor(address.data, event.url.origin));
    return { sent: address.data };
  },
};
