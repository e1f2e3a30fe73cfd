import { closeDatabase, database } from '../src/lib/server/database/database.ts';
import { invitationLetter, resetLetter } from '../src/lib/server/mail/letters.ts';
import { keepsLetters, sendLetter, type Letter } from '../src/lib/server/mail/mail.ts';
import {
  deleteTeacher,
  emailSchema,
  findCredentials,
  listTeachers,
  requestDeletion,
  type Email,
} from '../src/lib/server/teachers/teachers.ts';
import { createInvitation, createReset } from '../src/lib/server/teachers/tickets.ts';

export const USAGE = `Usage: oculon-admin invite [ADDRESS]        a link to register with, sent to the address if there is one
       oculon-admin reset ADDRESS           a link for a new password
       oculon-admin list                    all teachers
       oculon-admin delete ADDRESS [--now]  the account goes after the pause, or at once with all its data
       oculon-admin backup [FILE]           the whole database as one file

DATABASE_URL names the database (the demo's own when it is missing), ORIGIN the address under which Oculon is reached.
`;

/** The command is wrong, or cannot be done. */
export class AdminProblem extends Error {
  readonly isUsage: boolean;
  constructor(message: string, isUsage = false) {
    super(message);
    this.isUsage = isUsage;
  }
}

const readEmail = (text: string | undefined): Email => {
  const email = emailSchema.safeParse(text ?? '');
  if (!email.success) throw new AdminProblem(`“${text ?? ''}” is no mail address`, true);
  return email.data;
};

const teacherOf = async (email: Email) => {
  const known = await findCredentials(database(), email);
  if (!known) throw new AdminProblem(`nobody has an account for ${email}`);
  return known.id;
};

/** Sends a letter where there is a mail server; the link is printed in any case. */
const linkIn = async (letter: Letter | undefined, link: string): Promise<string> => {
  if (!letter || keepsLetters()) return `${link}\n`;
  await sendLetter(database(), letter);
  return `Sent to ${letter.to}: ${link}\n`;
};

const day = (date: Date | null): string => (date ? date.toISOString().slice(0, 10) : '–');

const commands: Readonly<Record<string, (args: readonly string[], origin: string) => Promise<string>>> = {
  async invite([address], origin) {
    const email = address === undefined ? undefined : readEmail(address);
    if (email && (await findCredentials(database(), email)))
      throw new AdminProblem(`${email} has an account already`);
    const token = await createInvitation(database(), email);
    return linkIn(email && invitationLetter(email, origin, token), `${origin}/register?ticket=${token}`);
  },
  async reset([address], origin) {
    const email = readEmail(address);
    const token = await createReset(database(), await teacherOf(email));
    return linkIn(resetLetter(email, origin, token), `${origin}/reset?ticket=${token}`);
  },
  async list() {
    const teachers = await listTeachers(database());
    const lines = teachers.map(({ name, email, pieces, deletionDueAt }) =>
      [name.padEnd(24), (email ?? '–').padEnd(32), String(pieces).padStart(6), day(deletionDueAt)].join('  '),
    );
    const head = ['name'.padEnd(24), 'address'.padEnd(32), 'pieces', 'goes on'].join('  ');
    return `${[head, ...lines].join('\n')}\n`;
  },
  async delete([address, how]) {
    const email = readEmail(address);
    const teacher = await teacherOf(email);
    if (how === '--now') {
      await deleteTeacher(database(), teacher);
      return `${email} is deleted with everything that was theirs.\n`;
    }
    if (how !== undefined) throw new AdminProblem(`what is “${how}”?`, true);
    await requestDeletion(database(), teacher);
    return `${email} goes after the pause; whoever has the account can keep it until then.\n`;
  },
};

/** Runs a command of the operator; returns what is to be printed. */
export const run = async ([name, ...args]: readonly string[], origin: string): Promise<string> => {
  const command = Object.hasOwn(commands, name ?? '') ? commands[name!] : undefined;
  if (!command)
    throw new AdminProblem(name === undefined ? 'name a command' : `there is no command “${name}”`, true);
  try {
    return await command(args, origin);
  } finally {
    await closeDatabase();
  }
};
