import { cookies, headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import type { ReactNode } from 'react';
import { sql } from 'drizzle-orm';
import { database, type Transaction } from '@/data/connection';
import { databaseRefusal } from '@/data/database-problem';
import { systemClock } from './clock';
import { keepDoor } from './doors';
import { toFailure } from './failure';
import { hostCookie } from './session-cookie';
import { Problem } from './problem';
import { refuseMisshapen } from './shape';
import { isOfKind, isOwnOrigin } from './own-origin';

/** Where the browser keeps the secret of a customer's window. */
export const WINDOW_COOKIE = 'werkbank.window';
export const windowCookie = (): string => hostCookie(WINDOW_COOKIE);

/** Who stands at the window. */
export interface AtWindow {
  contactId: string;
  contact: string;
  customerId: string;
  customer: string;
  /** Books and reports; else only looks. */
  acts: boolean;
}
export interface WindowContext {
  tx: Transaction;
  who: AtWindow;
  now: Date;
  params: Record<string, string>;
  search: Record<string, string>;
}

/**
 * Works in a transaction under the window's own role: the database shows what belongs to the customer of this secret, and nothing else, whatever is asked of it. Null where nobody stands there.
 */
export async function atWindow<T>(
  secret: string | undefined,
  work: (tx: Transaction, who: AtWindow) => Promise<T>,
): Promise<T | null> {
  if (!secret) return null;
  return database().transaction(async (tx) => {
    await tx.execute(sql`select set_config('werkbank.window', ${secret.slice(0, 200)}, true)`);
    await tx.execute(sql`set local role werkbank_window`);
    const { rows } = await tx.execute<AtWindow & Record<string, unknown>>(
      sql`select contact_id as "contactId", contact, customer_id as "customerId", customer, acts from window_who()`,
    );
    return rows[0] ? work(tx, rows[0]) : null;
  });
}

const secretOf = async () => (await cookies()).get(windowCookie())?.value;

/** The wrapper of every page of the window. Whoever is nobody there is shown the way in. */
export function windowPage(name: string, render: (context: WindowContext) => Promise<ReactNode>) {
  keepDoor({ name, permission: 'public' }, 'page');
  return async function Page(props: {
    params: Promise<Record<string, string>>;
    searchParams: Promise<Record<string, string | string[] | undefined>>;
  }) {
    const [params, given] = [await props.params, await props.searchParams];
    await headers();
    const search = Object.fromEntries(
      Object.entries(given).flatMap(([key, value]) => (typeof value === 'string' ? [[key, value]] : [])),
    );
    const now = systemClock().now();
    try {
      refuseMisshapen([params, search]);
    } catch {
      notFound();
    }
    let drawn: ReactNode | null;
    try {
      drawn = await atWindow(await secretOf(), async (tx, who) => <>{await render({ tx, who, now, params, search })}</>);
    } catch (error) {
      if (databaseRefusal(error) === 'shape') notFound();
      throw error;
    }
    if (drawn === null) redirect('/window');
    return drawn;
  };
}

/** The wrapper of every route of the window: origin and kind of what writes, who stands there, one transaction, a clear error. */
export function windowRoute(name: string, handler: (context: WindowContext & { request: Request }) => Promise<Response>) {
  keepDoor({ name, permission: 'public' }, 'route');
  return async function routeHandler(request: Request, segment: { params: Promise<Record<string, string>> }): Promise<Response> {
    try {
      if (request.method !== 'GET' && !(isOwnOrigin(request.headers) && isOfKind(request.headers, ['application/json'])))
        throw new Problem('From our own pages alone.', {}, 403);
      const params = await segment.params;
      const search = Object.fromEntries(new URL(request.url).searchParams);
      refuseMisshapen([params, search]);
      const now = systemClock().now();
      const answer = await atWindow(await secretOf(), (tx, who) => handler({ tx, who, now, params, search, request }));
      if (!answer) throw new Problem('Nobody stands at this window.', {}, 401);
      return answer;
    } catch (error) {
      const failure = toFailure(error, name);
      return Response.json(failure, { status: failure.status });
    }
  };
}
