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

/** What the database said no to, as far as a person or the program can do something about it. SQL states: PostgreSQL manual, appendix A. */
export type DatabaseRefusal = 'full' | 'busy' | 'taken' | 'missing' | 'shape';

const REFUSALS: [RegExp, DatabaseRefusal][] = [
  // Disk, memory, or connections are used up; a file can't be written.
  [/^(53100|53200|58030|54000)$/, 'full'],
  // A statement or a lock took too long, two waited for each other, too many connections.
  [/^(57014|55P03|40001|40P01|53300|25P03|25P02)$/, 'busy'],
  [/^23505$/, 'taken'],
  [/^23503$/, 'missing'],
  // What was sent is of no shape that can be stored: no such id, text with NUL, a number out of range, a missing or forbidden value.
  [/^(22...|23502|23514|42804)$/, 'shape'],
];

/** Null for what is no refusal of the database. */
export function databaseRefusal(error: unknown): DatabaseRefusal | null {
  for (const { code } of causes(error)) {
    const found = REFUSALS.find(([states]) => code !== undefined && states.test(code));
    if (found) return found[1];
    // The same of a file of our own.
    if (code === 'ENOSPC' || code === 'EDQUOT') return 'full';
  }
  return null;
}
