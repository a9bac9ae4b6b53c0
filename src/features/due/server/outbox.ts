import { and, desc, eq, lt, or, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { plainLike } from '@/data/find-text';
import type { MailState } from '@/core/stored/mail-state';
import { customer, mail } from '@/data/schema';
import { enqueue } from '@/platform/jobs';
import { outboxJob } from '@/platform/put-mail';
import { isId } from '@/platform/shape';

/** The outbox, newest first, paged by key. */
export async function outbox(
  tx: Transaction,
  {
    before,
    q,
    state,
    pageSize = 30,
  }: { before?: string | undefined; q?: string | undefined; state?: MailState | undefined; pageSize?: number },
) {
  const [at, id] = (before ?? '').split('~');
  const instant = at && !Number.isNaN(Date.parse(at)) && isId(id) ? new Date(at) : null;
  const like = `%${plainLike((q ?? '').trim().toLowerCase())}%`;
  const rows = await tx
    .select({ mail, customer: customer.name })
    .from(mail)
    .leftJoin(customer, eq(mail.customerId, customer.id))
    .where(
      and(
        state ? eq(mail.state, state) : undefined,
        q?.trim()
          ? sql`(lower(${mail.recipient} || ' ' || ${mail.subject}) like ${like} or lower(${customer.name}) like ${like})`
          : undefined,
        instant ? or(lt(mail.createdAt, instant), and(eq(mail.createdAt, instant), sql`${mail.id} > ${id}`)) : undefined,
      ),
    )
    .orderBy(desc(mail.createdAt), mail.id)
    .limit(pageSize + 1);
  const last = rows[pageSize - 1]?.mail;
  return {
    rows: rows.slice(0, pageSize),
    next: rows.length > pageSize && last ? `${last.createdAt.toISOString()}~${last.id}` : null,
  };
}

/** A person decides about an uncertain or refused mail: send it again, with the same Message-ID, or leave it. */
export async function sendAgain(tx: Transaction, id: string): Promise<boolean> {
  const rows = await tx
    .update(mail)
    .set({ state: 'queued', problem: null, nextTryAt: null })
    .where(and(eq(mail.id, id), or(eq(mail.state, 'uncertain'), eq(mail.state, 'refused'))))
    .returning({ id: mail.id });
  if (rows.length > 0) await enqueue(tx, 'mail', {}, outboxJob);
  return rows.length > 0;
}
