import { cache } from 'react';
import { headers } from 'next/headers';
import type { Actor, Role } from '@/core/record/event';
import { auth } from './auth';

/** Who is signed in, from the session's row; null for nobody. Asked once a request. */
export const currentActor = cache(async (): Promise<Actor | null> => {
  const session = await auth().api.getSession({ headers: await headers() });
  if (!session) return null;
  const { id, name, role, active } = session.user as { id: string; name: string; role?: string; active?: boolean };
  return active === false ? null : { id, name, role: role as Role };
});
