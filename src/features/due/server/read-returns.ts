import { and, desc, eq, inArray } from 'drizzle-orm';
import { simpleParser, type ParsedMail } from 'mailparser';
import { deliveryStatuses, type DeliveryStatus } from '@/core/letter/delivery-status';
import { say } from '@/core/words/say';
import type { Database } from '@/data/connection';
import { houseCheck, mail } from '@/data/schema';
import { asActor } from '@/platform/as-actor';
import { BY_ITSELF } from '@/platform/by-itself';
import { keepHouseCheck } from '@/platform/house-check';
import { readMailbox, returnsMailbox } from '@/platform/returns-mailbox';
import { isId } from '@/platform/shape';
import '@/core/words/en/returns';

/** A mail of ours by its Message-ID: <kind-id@host>. */
const OURS = /^<[a-z]+-([0-9a-f-]{36})@/i;

export interface Returned {
  read: number;
  /** Mails of ours that came back for good. */
  returned: number;
}

/**
 * Reads what came back to the mailbox of returned mails: a mail of ours that a server on the way could not deliver for good counts as refused from then on, with what was said, and is the counter's to look after. What is only late, or no
 * report, changes nothing. Read again, it finds nothing new. Errors: what the mail server says.
 */
export async function readReturns(db: Database, now: Date): Promise<Returned | null> {
  const mailbox = await returnsMailbox(db);
  if (!mailbox) return null;
  const began = Date.now();
  let returned = 0;
  try {
    const read = await readMailbox(mailbox, async (source) => {
      returned += await noteReturn(db, await simpleParser(source, { keepDeliveryStatus: true }));
      return true;
    });
    // Asked every few minutes: kept is what came, and that it opens again.
    if (read > 0 || (await shutBefore(db)) !== null)
      await keepHouseCheck(db, { kind: 'returns', at: now, tookMs: Date.now() - began, ok: true, detail: { read, returned } });
    return { read, returned };
  } catch (error) {
    const said = (error as Error).message.slice(0, 300);
    if ((await shutBefore(db)) !== said)
      await keepHouseCheck(db, { kind: 'returns', at: now, tookMs: Date.now() - began, ok: false, detail: { missed: [said] } });
    throw error;
  }
}

/** What hindered the newest look into it that is on record; null where it opened. */
async function shutBefore(db: Database): Promise<string | null> {
  const [row] = await db
    .select({ ok: houseCheck.ok, detail: houseCheck.detail })
    .from(houseCheck)
    .where(eq(houseCheck.kind, 'returns'))
    .orderBy(desc(houseCheck.id))
    .limit(1);
  return row && !row.ok ? String((row.detail.missed as string[] | undefined)?.[0] ?? '') : null;
}

async function noteReturn(db: Database, letter: ParsedMail): Promise<number> {
  const report = letter.attachments.find((one) => one.contentType === 'message/delivery-status');
  if (!report) return 0;
  const failed = deliveryStatuses(report.content.toString('utf8')).find((one) => one.action === 'failed');
  if (!failed) return 0;
  const id = await mailOf(failed, letter);
  if (!id) return 0;
  const { status, diagnostic } = failed;
  const problem = say({ code: 'returns.problem', numbers: { status, said: diagnostic || say({ code: 'returns.saidNothing' }) } });
  return db.transaction(async (tx) => {
    await asActor(tx, BY_ITSELF, 'job');
    const rows = await tx
      .update(mail)
      .set({ state: 'refused', problem, nextTryAt: null })
      .where(and(eq(mail.id, id), inArray(mail.state, ['sent', 'uncertain'])))
      .returning({ id: mail.id });
    return rows.length;
  });
}

/** Which mail it is: by the mark that it carried, else by the headers that came back with the report. */
async function mailOf({ envelopeId }: DeliveryStatus, letter: ParsedMail): Promise<string | null> {
  if (envelopeId && isId(envelopeId)) return envelopeId;
  const back = letter.attachments.find((one) => /^(message\/rfc822|text\/rfc822-headers)$/.test(one.contentType));
  if (!back) return null;
  const { messageId } = await simpleParser(back.content);
  return OURS.exec(messageId ?? '')?.[1] ?? null;
}
