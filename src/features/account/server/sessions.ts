import { and, desc, eq, gt } from 'drizzle-orm';
import { session } from '@/data/schema';
import { tellChange } from '@/platform/change-stream';
import { currentStanding } from '@/platform/session';
import type { UseCaseContext } from '@/platform/use-case';

/** Where this person is signed in, the newest first. */
export async function sessionsOf({ tx, actor }: Pick<UseCaseContext, 'tx' | 'actor'>) {
  const here = await currentStanding();
  const rows = await tx
    .select()
    .from(session)
    .where(and(eq(session.userId, actor.id), gt(session.expiresAt, new Date())))
    .orderBy(desc(session.signedInAt));
  return rows.map((row) => ({
    id: row.id,
    since: row.signedInAt,
    seen: row.seenAt,
    locked: row.lockedAt !== null,
    browser: row.userAgent ?? '',
    here: row.id === here?.sessionId,
  }));
}

/** Ends one of one's own sessions, on whichever computer. */
export async function endSession({ tx, actor }: UseCaseContext, { id }: { id: string }): Promise<void> {
  await tx.delete(session).where(and(eq(session.id, id), eq(session.userId, actor.id)));
  await tellChange(tx, 'session_ended', actor.id);
}
