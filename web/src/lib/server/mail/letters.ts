import { INVITATION_HOURS, RESET_HOURS } from '../teachers/tickets.ts';
import type { Letter } from './mail.ts';

const DAY = 24;

/** Letters that Oculon sends; `origin` is the address under which it is reached. */
export const invitationLetter = (to: string, origin: string, token: string): Letter => ({
  to,
  subject: 'Your place in Oculon',
  body: `Somebody, probably you, wants an account in Oculon for this address.

Choose a name and a password here; the link works once, and for ${INVITATION_HOURS / DAY} days:
${origin}/register?ticket=${token}

If it was not you, nothing needs to be done.
`,
});

export const knownAddressLetter = (to: string, origin: string): Letter => ({
  to,
  subject: 'You have an account in Oculon already',
  body: `Somebody, probably you, wanted a new account in Oculon for this address. There is one already.

Sign in: ${origin}/sign-in
A new password: ${origin}/forgot

If it was not you, nothing needs to be done.
`,
});

export const resetLetter = (to: string, origin: string, token: string): Letter => ({
  to,
  subject: 'A new password for Oculon',
  body: `Somebody, probably you, wants a new password for Oculon.

Choose it here; the link works once, and for ${RESET_HOURS === 1 ? 'an hour' : `${RESET_HOURS} hours`}:
${origin}/reset?ticket=${token}

If it was not you, nothing needs to be done: your password stays as it is.
`,
});

export const passwordChangedLetter = (to: string, origin: string): Letter => ({
  to,
  subject: 'Your password for Oculon was changed',
  body: `The password of your account in Oculon was just changed, and every other browser was signed out.

If it was not you, choose a new one at once: ${origin}/forgot
`,
});
