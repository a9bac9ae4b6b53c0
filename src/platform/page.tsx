import { forbidden, notFound, redirect } from 'next/navigation';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import type { Actor } from '@/core/record/event';
import { database, type Transaction } from '@/data/connection';
import { databaseRefusal } from '@/data/database-problem';
import { recordAudit } from './audit';
import { systemClock } from './clock';
import { may, type Permission } from './permission';
import { currentActor } from './session';
import { refuseMisshapen } from './shape';

type Params = Record<string, string>;
type Search = Record<string, string | string[] | undefined>;
export interface PageContext {
  tx: Transaction;
  actor: Actor;
  now: Date;
  params: Params;
  search: Record<string, string>;
}

const NOBODY: Actor = { id: '', name: '', role: 'counter' };

/** The wrapper of every page: session, role, one read transaction, time. A page without the role answers 403 and is on record. */
export function page(options: { permission: Permission; name: string }, render: (context: PageContext) => Promise<ReactNode>) {
  return async function Page(props: { params: Promise<Params>; searchParams: Promise<Search> }) {
    const [params, search] = [await props.params, await props.searchParams];
    // Reading the headers keeps every page out of the static build.
    await headers();
    const now = systemClock().now();
    const actor = options.permission === 'public' ? null : await currentActor();
    if (options.permission !== 'public' && !actor) redirect(`/sign-in?next=${encodeURIComponent(address(options.name, params))}`);
    if (!may(actor?.role ?? null, options.permission)) {
      await database().transaction((tx) =>
        recordAudit({ tx, actor: actor!, now }, 'refused', options.name, { needs: options.permission }),
      );
      forbidden();
    }
    const plain = Object.fromEntries(
      Object.entries(search).flatMap(([key, value]) => (typeof value === 'string' ? [[key, value]] : [])),
    );
    // An address that nobody of us made leads nowhere, and says so.
    if (isMisshapen([params, plain])) notFound();
    try {
      return await database().transaction((tx) => render({ tx, actor: actor ?? NOBODY, now, params, search: plain }));
    } catch (error) {
      if (databaseRefusal(error) === 'shape') notFound();
      throw error;
    }
  };
}

function isMisshapen(value: unknown): boolean {
  try {
    refuseMisshapen(value);
    return false;
  } catch {
    return true;
  }
}

/** "/assets/[id]" with its parameters filled in: where to go back to after signing in. */
function address(name: string, params: Params): string {
  return name.replace(/\[(\w+)\]/g, (_whole, key: string) => params[key] ?? '');
}
