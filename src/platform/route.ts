import { database, type Transaction } from '@/data/connection';
import type { Actor } from '@/core/record/event';
import { say } from '@/core/words/say';
import { admit, type Door } from './admission';
import { asActor } from './as-actor';
import { systemClock } from './clock';
import { keepDoor } from './doors';
import { toFailure } from './failure';
import { isOfKind, isOwnOrigin } from './own-origin';
import { NOBODY } from './nobody';
import { Problem } from './problem';
import { refuseMisshapen } from './shape';
import '@/core/words/en/answers';

export interface RouteContext {
  tx: Transaction;
  actor: Actor;
  now: Date;
  params: Record<string, string>;
  request: Request;
}

/** What writes is taken from our own pages alone, and of a kind that a form on somebody else's page can't send. Errors: Problem (403), (415). */
function refuseForeign({ method, headers }: Request, takes: readonly string[]): void {
  if (method === 'GET' || method === 'HEAD') return;
  if (!isOwnOrigin(headers)) throw new Problem(say({ code: 'route.foreign' }), {}, 403);
  if (!isOfKind(headers, takes)) throw new Problem(say({ code: 'route.kind', numbers: { kinds: takes.join(', ') } }), {}, 415);
}

/** The wrapper of every route: origin and kind of what writes, session, role, one transaction, a clear error. The body is checked by the Yup schema that the handler hands to `parse`. */
export function route(
  options: Door & {
    transaction?: false;
    takes?: readonly string[];
    /** The browser sends it on its own: it says nothing of a hand at the computer. */
    byItself?: true;
  },
  handler: (context: RouteContext) => Promise<Response>,
) {
  keepDoor(options, 'route');
  return async function routeHandler(request: Request, segment: { params: Promise<Record<string, string>> }): Promise<Response> {
    try {
      refuseForeign(request, options.takes ?? ['application/json']);
      const now = systemClock().now();
      const reads = request.method === 'GET';
      const admission = await admit(options, { now, hand: !reads && !options.byItself, reads });
      if (admission.turned)
        return Response.json(
          { ok: false, code: admission.turned, message: admission.message, fields: {} },
          { status: admission.status },
        );
      const { actor } = admission;
      const params = await segment.params;
      refuseMisshapen([params, [...new URL(request.url).searchParams]]);
      const context = { actor: actor ?? NOBODY, now, params, request };
      if (options.transaction === false) return await handler({ ...context, tx: database() as unknown as Transaction });
      return await database().transaction(async (tx) => {
        if (request.method !== 'GET') await asActor(tx, context.actor, options.name);
        return handler({ ...context, tx });
      });
    } catch (error) {
      const failure = toFailure(error, options.name);
      return Response.json(failure, { status: failure.status });
    }
  };
}
