import { database, type Transaction } from '@/data/connection';
import type { Actor } from '@/core/record/event';
import { say } from '@/core/words/say';
import { asActor } from './as-actor';
import { recordAudit } from './audit';
import { systemClock } from './clock';
import { toFailure } from './failure';
import { isOfKind, isOwnOrigin } from './own-origin';
import { may, type Permission } from './permission';
import { Problem } from './problem';
import { currentActor } from './session';
import { refuseMisshapen } from './shape';

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
  options: { permission: Permission; name: string; transaction?: false; takes?: readonly string[] },
  handler: (context: RouteContext) => Promise<Response>,
) {
  return async function routeHandler(request: Request, segment: { params: Promise<Record<string, string>> }): Promise<Response> {
    try {
      refuseForeign(request, options.takes ?? ['application/json']);
      const now = systemClock().now();
      const actor = options.permission === 'public' ? null : await currentActor();
      if (options.permission !== 'public' && !actor)
        return Response.json({ ok: false, code: 'signedOut', message: 'You are signed out.', fields: {} }, { status: 401 });
      if (!may(actor?.role ?? null, options.permission)) {
        await database().transaction((tx) =>
          recordAudit({ tx, actor: actor!, now }, 'refused', options.name, { needs: options.permission }),
        );
        return Response.json(
          { ok: false, code: 'notAllowed', message: `A ${actor!.role} can’t do this.`, fields: {} },
          { status: 403 },
        );
      }
      const params = await segment.params;
      refuseMisshapen([params, [...new URL(request.url).searchParams]]);
      const context = { actor: actor ?? { id: '', name: '', role: 'counter' as const }, now, params, request };
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
