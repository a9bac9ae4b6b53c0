import { randomUUID } from 'node:crypto';
import { ValidationError } from 'yup';
import { say } from '@/core/words/say';
import { databaseRefusal, isUnreachable, type DatabaseRefusal } from '@/data/database-problem';
import { log } from './log';
import { Problem } from './problem';
import '@/core/words/en/answers';

/** What a person sees when something can't be done. */
export interface Failure {
  ok: false;
  code: string;
  message: string;
  fields: Record<string, string>;
  status: number;
}

const STATUS: Record<DatabaseRefusal, number> = { full: 507, busy: 503, taken: 409, missing: 409, shape: 400 };

/** Turns anything thrown into a clear message. What nobody foresaw is logged with an id that the person sees. */
export function toFailure(error: unknown, door: string): Failure {
  if (error instanceof ValidationError) {
    const fields = Object.fromEntries((error.inner.length ? error.inner : [error]).map((one) => [one.path ?? '', one.message]));
    return { ok: false, code: 'invalid', message: Object.values(fields)[0] ?? error.message, fields, status: 400 };
  }
  if (error instanceof Problem)
    return {
      ok: false,
      code: String(error.extra.code ?? 'problem'),
      message: error.message,
      fields: error.fields,
      status: error.status,
    };
  if (isUnreachable(error)) {
    log.warn({ door, error: String(error) }, 'database out of reach');
    return {
      ok: false,
      code: 'databaseAway',
      message: 'The database can’t be reached just now. Nothing is lost: what you typed stays here and can be sent again.',
      fields: {},
      status: 503,
    };
  }
  const refusal = databaseRefusal(error);
  if (refusal) {
    const level = refusal === 'full' ? 'error' : 'warn';
    log[level]({ door, refusal, err: error }, 'the database refused');
    return {
      ok: false,
      code: `database.${refusal}`,
      message: say({ code: `database.${refusal}` }),
      fields: {},
      status: STATUS[refusal],
    };
  }
  const id = randomUUID().slice(0, 8);
  log.error({ door, id, err: error }, 'unforeseen');
  return {
    ok: false,
    code: 'unforeseen',
    message: `Something went wrong on our side. It is logged as ${id}.`,
    fields: {},
    status: 500,
  };
}
