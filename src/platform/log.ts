import pino from 'pino';

/** One line of JSON an event, to standard output; passwords and cookies never reach it. */
export const log = pino({
  level: process.env.LOG_LEVEL ?? 'info',
  base: { app: 'werkbank' },
  redact: ['password', '*.password', 'headers.cookie'],
});
