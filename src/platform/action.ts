import type { InferType, Schema } from 'yup';
import { database, type Transaction } from '@/data/connection';
import { admit, type Door } from './admission';
import { asActor } from './as-actor';
import { recordAudit } from './audit';
import { systemClock } from './clock';
import { confirmPerson, type SigningAct } from './confirm-person';
import { keepDoor } from './doors';
import { toFailure, type Failure } from './failure';
import { NOBODY } from './nobody';
import { parse } from './shape';
import type { UseCaseContext } from './use-case';

export type ActionResult<T> = { ok: true; value: T } | Failure;

interface Options<S extends Schema> extends Door {
  schema: S;
  /** What the audit says it was about; 'none' where the events of a run are the record themselves. */
  audit: ((input: InferType<S>) => string) | 'none';
  /** For what waits for something outside or takes connections of its own: it opens transactions itself, and audits itself. */
  transaction?: false;
  /** It puts a name to a document: whoever does it says once more who they are, with a field `password` in the schema, before anything begins. */
  signs?: SigningAct;
}

const passwordIn = (input: unknown): string => String((input as { password?: string }).password ?? '');

/** The wrapper of every server action: session, role, Yup, one transaction with its audit entry, a clear error. */
export function action<S extends Schema, T>(
  options: Options<S>,
  work: (context: UseCaseContext, input: InferType<S>) => Promise<T>,
) {
  keepDoor(options, 'action', work as never);
  return async function serverAction(raw: unknown): Promise<ActionResult<T>> {
    try {
      const now = systemClock().now();
      const admission = await admit(options, { now, hand: true });
      if (admission.turned)
        return { ok: false, code: admission.turned, message: admission.message, fields: {}, status: admission.status };
      const { actor } = admission;
      const input = await parse(options.schema, raw);
      const signed = options.signs ? { signed: await confirmPerson(actor!, passwordIn(input), options.signs, now) } : {};
      if (options.transaction === false) {
        const context = { tx: database() as unknown as Transaction, actor: actor ?? NOBODY, now };
        return { ok: true, value: await work(context, input) };
      }
      const value = await database().transaction(async (tx) => {
        const context = { tx, actor: actor ?? NOBODY, now, ...signed };
        await asActor(tx, context.actor, options.name);
        const result = await work(context, input);
        if (options.audit !== 'none') await recordAudit(context, options.name, options.audit(input));
        return result;
      });
      return { ok: true, value };
    } catch (error) {
      return toFailure(error, options.name);
    }
  };
}
