import pino from 'pino';

/** The values that a query was sent with are people's names and addresses: the log keeps the query without them. */
function withoutValues(error: unknown): unknown {
  const plain = pino.stdSerializers.err(error as Error) as unknown;
  const clean = (value: unknown, depth: number): unknown => {
    if (typeof value === 'string') return value.replace(/\bparams: [\s\S]*?(?=\n\s+at |$)/g, 'params: (left out)');
    if (Array.isArray(value)) return depth > 6 ? '…' : value.map((one) => clean(one, depth + 1));
    if (!value || typeof value !== 'object') return value;
    if (depth > 6) return '…';
    return Object.fromEntries(
      Object.entries(value).flatMap(([key, one]) => (LEFT_OUT.has(key) ? [] : [[key, clean(one, depth + 1)]])),
    );
  };
  return clean(plain, 0);
}

/** What PostgreSQL and the query builder add to an error that quotes a row ("Key (email)=(…) already exists"). */
const LEFT_OUT = new Set(['params', 'detail', 'where', 'internalQuery', 'hint']);

/** One line of JSON an event, to standard output; passwords, cookies and the values of queries never reach it. */
export const log = pino({
  level: process.env.LOG_LEVEL ?? 'info',
  base: { app: 'werkbank' },
  redact: ['password', '*.password', 'headers.cookie'],
  serializers: { err: withoutValues, error: (error: unknown) => (error instanceof Error ? withoutValues(error) : clip(error)) },
});

/** Errors that were made into text carry their values behind "params:". */
function clip(error: unknown): unknown {
  return typeof error === 'string' ? error.replace(/\bparams: [\s\S]*$/, 'params: (left out)') : error;
}
