import pino from 'pino';

/** What operators read. Nothing a customer typed and no secret goes in here. */
export const log = pino({ name: 'fenbrik', level: process.env.LOG_LEVEL ?? 'info' });
