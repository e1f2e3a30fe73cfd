import { createTransport, type Transporter } from 'nodemailer';
import type pg from 'pg';
import * as z from 'zod';
import { env } from '$env/dynamic/private';
import type { Queryable } from '../database/database.ts';
import { log } from '../log.ts';

export interface Letter {
  readonly to: string;
  readonly subject: string;
  readonly body: string;
}

/** Whether letters stay here: without a mail server they lie in an outbox that the operator (in the demo: everybody) reads. */
export const keepsLetters = (): boolean => !env.OCULON_SMTP;

/** How long the mail server is waited for, in ms. */
const PATIENCE = 10_000;
const DEFAULT_SENDER = 'Oculon <oculon@localhost>';

let transporter: Transporter | undefined;
const mailServer = (): Transporter =>
  (transporter ??= createTransport(env.OCULON_SMTP!, {
    connectionTimeout: PATIENCE,
    greetingTimeout: PATIENCE,
    socketTimeout: PATIENCE,
  } as never));

/** Sends a letter through the mail server, or puts it into the outbox. */
export const sendLetter = async (pool: pg.Pool, { to, subject, body }: Letter): Promise<void> => {
  if (keepsLetters()) {
    await pool.query(`insert into outbox (recipient, subject, body) values ($1, $2, $3)`, [
      to,
      subject,
      body,
    ]);
    return;
  }
  await mailServer().sendMail({ from: env.OCULON_MAIL_FROM || DEFAULT_SENDER, to, subject, text: body });
};

/** Sends a letter that nobody waits for: how long it takes tells nobody whether there was one. */
export const sendLater = (pool: pg.Pool, letter: () => Promise<Letter | undefined>): void => {
  void (async () => {
    try {
      const made = await letter();
      if (made) await sendLetter(pool, made);
    } catch (cause) {
      log.error({ err: cause }, 'a letter could not be sent');
    }
  })();
};

const keptSchema = z.object({
  id: z.uuid(),
  recipient: z.string(),
  subject: z.string(),
  body: z.string(),
  createdAt: z.date(),
});
export type KeptLetter = z.infer<typeof keptSchema>;

const MOST_LISTED = 100;

/** The letters in the outbox, the latest first. */
export const listLetters = async (client: Queryable): Promise<KeptLetter[]> => {
  const { rows } = await client.query(
    `select id, recipient, subject, body, created_at as "createdAt" from outbox order by created_at desc limit $1`,
    [MOST_LISTED],
  );
  return z.array(keptSchema).parse(rows);
};
