import { fail, redirect } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { database } from '$lib/server/database/database.ts';
import { withDatabase } from '$lib/server/database/trouble.ts';
import { fieldsIn, textIn } from '$lib/server/forms.ts';
import { addressOf, isOpen, placeAfter, throttleHere, waitText } from '$lib/server/teachers/door.ts';
import { signIn } from '$lib/server/teachers/sign-in.ts';
import { emailSchema } from '$lib/server/teachers/teachers.ts';
import { deviceOf, enter, leave } from '$lib/server/teachers/visit.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) => ({
  isSignedIn: locals.visitor !== undefined,
  isOpen: isOpen(),
  to: placeAfter(url.searchParams.get('to')),
  showsOutbox: env.OCULON_SHOW_OUTBOX === 'yes',
});

const WRONG = 'The address or the password is wrong.';

export const actions: Actions = {
  in: async (event) => {
    const fields = await fieldsIn(event.request);
    const [email, password] = [textIn(fields, 'email'), textIn(fields, 'password')];
    const to = placeAfter(fields.get('to'));
    const address = emailSchema.safeParse(email);
    if (!address.success) return fail(400, { email, to, problem: 'This is no mail address.' });
    const outcome = await withDatabase(() =>
      signIn(database(), throttleHere(), {
        email: address.data,
        password,
        from: addressOf(event),
        device: deviceOf(event.cookies),
      }),
    );
    if (outcome.kind === 'wait') return fail(429, { email, to, problem: waitText(outcome.seconds) });
    if (outcome.kind === 'wrong') return fail(401, { email, to, problem: WRONG });
    await withDatabase(() => enter(event, outcome.teacher));
    redirect(303, to);
  },
  out: async (event) => {
    await withDatabase(() => leave(event));
    redirect(303, '/sign-in');
  },
};
