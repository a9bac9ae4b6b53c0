import { database, type Transaction } from '@/data/connection';
import type { Actor } from '@/core/record/event';
import { recordAudit } from './audit';
import { systemClock } from './clock';
import { toFailure } from './failure';
import { may, type Permission } from './permission';
import { currentActor } from './session';

export interface RouteContext {
  tx: Transaction;
  actor: Actor;
  now: Date;
  params: Record<string, string>;
  request: Request;
}

/** The wrapper of every route: session, role, one transaction, a clear error. The body is checked by the Yup schema that the handler hands to `parse`. */
export function route(
  options: { permission: Permission; name: string; transaction?: false },
  handler: (context: RouteContext) => Promise<Response>,
) {
  return async function routeHandler(request: Request, segment: { params: Promise<Record<string, string>> }): Promise<Response> {
    try {
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
      const context = { actor: actor ?? { id: '', name: '', role: 'counter' as const }, now, params, request };
      if (options.transaction === false) return await handler({ ...context, tx: database() as unknown as Transaction });
      return await database().transaction((tx) => handler({ ...context, tx }));
    } catch (error) {
      const failure = toFailure(error, options.name);
      return Response.json(failure, { status: failure.status });
    }
  };
}
