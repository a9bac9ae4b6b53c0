import { forbidden, notFound, redirect } from 'next/navigation';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import type { Actor } from '@/core/record/event';
import { database, type Transaction } from '@/data/connection';
import { databaseRefusal } from '@/data/database-problem';
import { admit, type Door } from './admission';
import { SayLocked } from './client/say-locked';
import { systemClock } from './clock';
import { keepDoor } from './doors';
import { NOBODY } from './nobody';
import { refuseMisshapen } from './shape';

type Params = Record<string, string>;
type Search = Record<string, string | string[] | undefined>;
export interface PageContext {
  tx: Transaction;
  actor: Actor;
  now: Date;
  params: Params;
  search: Record<string, string>;
  /** Ids of what was chosen in a list: `id` as often as it stands in the address. */
  chosen: string[];
}

/** The wrapper of every page: session, role, one read transaction, time. A page without the role answers 403 and is on record. */
export function page(options: Door, render: (context: PageContext) => Promise<ReactNode>) {
  keepDoor(options, 'page');
  return async function Page(props: { params: Promise<Params>; searchParams: Promise<Search> }) {
    const [params, search] = [await props.params, await props.searchParams];
    // Reading the headers keeps every page out of the static build.
    await headers();
    const now = systemClock().now();
    const admission = await admit(options, { now, hand: false, reads: true });
    // While the screen is locked nothing of the page is read or sent: the bar's lock covers it, and loads it anew.
    if (admission.turned === 'locked') return <SayLocked />;
    if (admission.turned === 'signedOut') redirect(`/sign-in?next=${encodeURIComponent(address(options.name, params))}`);
    if (admission.turned === 'secondFactor' || admission.turned === 'ownPassword') redirect('/account');
    if (admission.turned) forbidden();
    const { actor } = admission;
    const plain = Object.fromEntries(
      Object.entries(search).flatMap(([key, value]) => (typeof value === 'string' ? [[key, value]] : [])),
    );
    const chosen = [search.id ?? []].flat();
    // An address that nobody of us made leads nowhere, and says so.
    if (isMisshapen([params, plain, chosen])) notFound();
    try {
      return await database().transaction((tx) => render({ tx, actor: actor ?? NOBODY, now, params, search: plain, chosen }));
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
