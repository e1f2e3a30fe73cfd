import pino from 'pino';
import { env } from '$env/dynamic/private';

/** The server's log: JSON lines on standard output. */
export const log = pino({ level: env.LOG_LEVEL ?? 'info', base: { service: 'oculon' } });
