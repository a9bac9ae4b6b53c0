import { setTimeout as sleep } from 'node:timers/promises';
import { and, eq, lt, min, sql } from 'drizzle-orm';
import type { Database, Transaction } from '@/data/connection';
import { mail } from '@/data/schema';
import { enqueue } from '@/platform/jobs';
import { outboxJob } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import { returnsMailbox } from '@/platform/returns-mailbox';
import { sendMail, type Attachment, type Outcome, type Sender } from '@/platform/mailer';

/** After this long a mail that still says "sending" was cut off: whether it arrived can't be known, so it is never sent again by itself. */
const CUT_OFF_SECONDS = 120;
/** Mails in hand at once: marked "sending", on a connection or next in line for one. A process that is killed leaves no more than these in doubt. */
const IN_HAND = 8;
/** So long after the first that is through others are waited for: what was sent is written, and as many taken, in one transaction. */
const GATHER_MS = 6;
/** A mail that was put off so often is given up: with the pauses of backOffSeconds after four days (RFC 5321, 4.5.4.1: four to five days). */
const MOST_TRIES = 25;

type Mail = typeof mail.$inferSelect;
type Result = { mail: Mail; at: Date } & Outcome;
export type Emptied = Record<Outcome['state'], number>;

/** Seconds until a mail is tried again after so many tries: e to their number, at most e to the tenth, some six hours (RFC 5321, 4.5.4.1: longer with time). */
export const backOffSeconds = (attempts: number): number => Math.round(Math.exp(Math.min(10, attempts)));

interface Given {
  clock: () => Date;
  signal?: AbortSignal;
  /** The PDF of a document that goes along. */
  attach?: (certificateId: string) => Promise<Attachment>;
}

/** A mail with what goes along; one whose paper can't be had now waits, as one whose server is away. */
async function handOver(one: Mail, from: Sender, attach: Given['attach']): Promise<Outcome> {
  if (!one.attachedCertificate) return sendMail(one, from);
  try {
    if (!attach) throw new Error('nobody here draws papers');
    return await sendMail(one, from, [await attach(one.attachedCertificate)]);
  } catch (error) {
    return { state: 'queued', problem: `Its paper could not be drawn: ${(error as Error).message}` };
  }
}

/** In a process that is at it already: tells it that there is more. */
let wake: (() => void) | null = null;

/**
 * Sends all that waits in the outbox and may be tried now. Each mail is marked "sending" and committed before the first byte goes out; what becomes of it is written after. Cut off in between, it stays uncertain. The
 * Message-ID never changes, so a receiver could tell a second copy. Mails to one mailbox go one after the other, and one that says "later" or nothing delays its own mails alone. Several processes may do this side by side;
 * within one, a second call wakes the first and gives null. What is put off leaves a job for its time. `signal` ends it: what is in hand is finished, nothing more is taken.
 */
export async function emptyOutbox(db: Database, given: Given): Promise<Emptied | null> {
  if (wake) {
    wake();
    return null;
  }
  try {
    return await empty(db, given);
  } finally {
    wake = null;
  }
}

async function empty(db: Database, { clock, signal, attach }: Given): Promise<Emptied> {
  const count: Emptied = { sent: 0, refused: 0, queued: 0, uncertain: 0 };
  const inHand = new Set<Promise<void>>();
  const done: Result[] = [];
  for (;;) {
    const woken = new Promise<void>((resolve) => (wake = resolve));
    const results = done.splice(0);
    const { taken, from } = await db.transaction(async (tx) => {
      await keep(tx, results);
      const { mailFrom, replyTo } = await readSettings(tx);
      const returnTo = (await returnsMailbox(tx))?.address ?? '';
      return {
        taken: signal?.aborted ? [] : await take(tx, IN_HAND - inHand.size, clock()),
        from: { from: mailFrom, replyTo, returnTo },
      };
    });
    for (const one of taken) {
      const sending: Promise<void> = handOver(one, from, attach).then((outcome) => {
        count[outcome.state] += 1;
        done.push({ mail: one, at: clock(), ...outcome });
        inHand.delete(sending);
      });
      inHand.add(sending);
    }
    // What came through while others were taken is yet to be written.
    if (inHand.size === 0 && done.length === 0) break;
    if (done.length === 0) await Promise.race([woken, ...inHand]);
    if (inHand.size > 0 && done.length > 0) await sleep(GATHER_MS);
  }
  await leaveForLater(db);
  return count;
}

/** Marks the next mails "sending": oldest first, one a mailbox, none whose mailbox has one under way. One process takes at a time, for as long as the statement. */
async function take(tx: Transaction, most: number, now: Date): Promise<Mail[]> {
  await tx.execute(sql`select pg_advisory_xact_lock(hashtext('outbox'))`);
  const next = sql`
    with under_way as (select lower(recipient) as mailbox from mail where state = 'sending'),
    waiting as materialized (
      select id, lower(recipient) as mailbox, created_at from mail
      where state = 'queued' and (next_try_at is null or next_try_at <= ${now.toISOString()}::timestamptz) and lower(recipient) not in (select mailbox from under_way)
      order by created_at, id limit ${4 * IN_HAND}
    ),
    first as (select distinct on (mailbox) id, created_at from waiting order by mailbox, created_at, id)
    select id from first order by created_at, id limit ${most}`;
  return tx
    .update(mail)
    .set({ state: 'sending', sendingAt: now, nextTryAt: null })
    .where(sql`${mail.id} = any(array(${next}))`)
    .returning();
}

/** Writes what became of them. A mail that was put off for the last time counts as refused. */
async function keep(tx: Transaction, results: Result[]): Promise<void> {
  if (results.length === 0) return;
  const rows = results.map(({ mail: { id, attempts }, state, problem, at }) => {
    const tries = attempts + 1;
    const given = state === 'queued' && tries >= MOST_TRIES ? 'refused' : state;
    const later = given === 'queued' ? new Date(at.getTime() + backOffSeconds(tries) * 1000) : null;
    return { id, state: given, problem, sent_at: given === 'sent' ? at : null, next_try_at: later };
  });
  await tx.execute(sql`
    update mail set state = given.state, problem = given.problem, attempts = mail.attempts + 1, sent_at = given.sent_at, next_try_at = given.next_try_at
    from json_to_recordset(${JSON.stringify(rows)}::json) as given (id uuid, state text, problem text, sent_at timestamptz, next_try_at timestamptz)
    where mail.id = given.id`);
}

/** The job for the mail that is to be tried next. */
async function leaveForLater(db: Database): Promise<void> {
  const [next] = await db
    .select({ at: min(mail.nextTryAt) })
    .from(mail)
    .where(eq(mail.state, 'queued'));
  if (next?.at) await enqueue(db, 'mail', {}, { ...outboxJob, key: `${outboxJob.key}/later`, at: next.at });
}

/** What was being sent when its process died: nobody knows whether it arrived. */
export async function markCutOff(db: Database, now: Date): Promise<void> {
  await db
    .update(mail)
    .set({ state: 'uncertain', problem: 'Sending was cut off; whether it arrived is not known.' })
    .where(and(eq(mail.state, 'sending'), lt(mail.sendingAt, new Date(now.getTime() - CUT_OFF_SECONDS * 1000))));
}
