const CONNECTION_CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  '57P01',
  '57P02',
  '57P03',
  '08000',
  '08003',
  '08006',
]);

interface Cause {
  code?: string;
  message?: string;
  cause?: unknown;
  constraint?: string;
  errors?: unknown[];
}

function* causes(error: unknown): Generator<Cause> {
  for (let cause = error as Cause | undefined; cause; cause = cause.cause as Cause | undefined) {
    yield cause;
    for (const inner of cause.errors ?? []) yield inner as Cause;
  }
}

/** Whether the database itself was out of reach, as against an answer that was a refusal. */
export function isUnreachable(error: unknown): boolean {
  return [...causes(error)].some(
    (cause) =>
      CONNECTION_CODES.has(cause.code ?? '') ||
      /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/.test(
        cause.message ?? '',
      ),
  );
}

/** The name of the unique index or constraint that was hit (SQL state 23505), or null. */
export function violatedUnique(error: unknown): string | null {
  return [...causes(error)].find((cause) => cause.code === '23505')?.constraint ?? null;
}
