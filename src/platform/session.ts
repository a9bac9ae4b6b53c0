import { cache } from 'react';
import { headers } from 'next/headers';
import type { Actor, Role } from '@/core/record/event';
import { auth } from './auth';

/** Who is signed in, from the session's row; null for nobody. Asked once a request. */
export const currentActor = cache(async (): Promise<Actor | null> => {
  const session = await auth().api.getSession({ headers: await headers() });
  if (!session || isOver(session.session.createdAt)) return null;
  const { id, name, role, active } = session.user as { id: string; name: string; role?: string; active?: boolean };
  return active === false ? null : { id, name, role: role as Role };
});

/** However busy somebody is: once in so many hours they say anew who they are (NIST SP 800-63B, 4.2.3 asks for 12 hours, or sooner). */
const LONGEST_HOURS = 12;
const isOver = (since: Date): boolean => Date.now() - new Date(since).getTime() > LONGEST_HOURS * 3_600_000;
