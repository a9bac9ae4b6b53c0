import { randomUUID } from 'node:crypto';
import { and, desc, eq, lt } from 'drizzle-orm';
import { draftNotice, type NoticeDraft } from '@/core/certificate/notice';
import { say, type Language } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { customer, customerNotice, runSummary } from '@/data/schema';
import { loadRun, type LoadedRun } from '@/features/bench/server';
import { dateIn } from '@/platform/clock';
import { askCustomer, askedByMail } from '@/platform/ask-customer';
import { itemOnLine, letterWriter, signedBy } from '@/platform/letter-text';
import { hostOf, putMails, type Letter } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import { inLanguage } from '@/procedures/in-language';
import type { UseCaseContext } from '@/platform/use-case';
import { ownedAsset } from './owned-asset';
import '@/core/words/en/certificate';
import '@/core/words/en/answer-page';
import '@/core/words/en/mail-texts';
import '@/core/words/de';

interface Drafted extends NoticeDraft {
  recipient: string;
  language: Language;
  item: string;
}

/** What the customer would be told of a run whose as-found was outside; null when there is nothing to tell. */
export async function noticeFor(tx: Transaction, runId: string): Promise<Drafted | null> {
  const loaded = await loadRun(tx, runId);
  return loaded ? draftFor(tx, loaded) : null;
}

async function draftFor(tx: Transaction, { row, state, procedure }: LoadedRun): Promise<Drafted | null> {
  const settings = await readSettings(tx);
  const owner = await ownedAsset(tx, row);
  const [good] = state.startedAt
    ? await tx
        .select({ at: runSummary.finishedAt })
        .from(runSummary)
        .where(
          and(
            eq(runSummary.assetId, row.assetId),
            eq(runSummary.status, 'approved'),
            eq(runSummary.asLeft, 'within'),
            lt(runSummary.startedAt, new Date(state.startedAt)),
          ),
        )
        .orderBy(desc(runSummary.startedAt))
        .limit(1)
    : [];
  const { language } = owner.customer;
  const draft = draftNotice({
    ...inLanguage(procedure, state, language),
    language,
    item: { maker: owner.asset.maker, model: owner.model, serial: owner.asset.serial, tag: owner.asset.tag },
    lastGood: good?.at ? dateIn(settings.zone, good.at) : null,
    found: dateIn(settings.zone, new Date(state.startedAt ?? Date.now())),
    laboratory: [settings.name, settings.address, settings.contact].filter(Boolean).join(', '),
  });
  const { maker, serial, tag } = owner.asset;
  return (
    draft && {
      ...draft,
      recipient: owner.customer.email,
      language,
      item: itemOnLine({ maker, model: owner.model, serial, tag }, language),
    }
  );
}

/** Releases the notice with the certificate: its text is kept as it went out, the mail waits in the outbox, with a link by which the customer says that it was read and what was done. Once a run. */
export async function releaseNotice(context: UseCaseContext, loaded: LoadedRun, body: string): Promise<void> {
  const { tx, now, actor } = context;
  const draft = await draftFor(tx, loaded);
  const { id: runId, assetId, customerId } = loaded.row;
  const told = await tx.select({ id: customerNotice.id }).from(customerNotice).where(eq(customerNotice.runId, runId));
  if (!draft || told.length > 0) return;
  const { subject, facts, recipient, language, item } = draft;
  const id = randomUUID();
  const settings = await readSettings(tx);
  const numbers = { on: dateIn(settings.zone, now), item };
  const question = recipient
    ? await askCustomer(context, {
        customerId,
        about: 'notice',
        subjectId: id,
        language,
        asked: say({ code: 'askedOf.notice', numbers }, language),
      })
    : null;
  const letter = { customerId, recipient, subject, body: [body, question?.line].filter(Boolean).join('\n\n') };
  const [mailId = null] = await post(tx, now, letter);
  if (question) await askedByMail(tx, question.id, mailId ?? undefined);
  await tx
    .insert(customerNotice)
    .values({ id, runId, assetId, customerId, subject, body, facts, releasedAt: now, releasedBy: actor.name, mailId });
}

/** The customer of a document is told in plain words that it changed, in their language; by post where there is no mail address. */
async function tell(
  { tx, now }: UseCaseContext,
  customerId: string,
  kind: 'revised' | 'withdrawn',
  places: Record<string, string>,
): Promise<void> {
  const [owner] = await tx.select().from(customer).where(eq(customer.id, customerId));
  const language = owner?.language ?? 'en';
  const write = await letterWriter(tx, kind);
  const letter = write(language, {
    ...places,
    caution: say({ code: 'mailText.withdrawnCaution' }, language),
    workshop: signedBy(await readSettings(tx)),
  });
  await post(tx, now, { customerId, recipient: owner?.email ?? '', ...letter });
}

/** Into the outbox; where there is no mail address, among the letters to print. */
async function post(tx: Transaction, now: Date, letter: Letter): Promise<string[]> {
  const byPost = letter.recipient ? {} : { onPaper: true };
  return putMails(tx, [{ ...letter, ...byPost }], { now, kind: 'notice', host: hostOf((await readSettings(tx)).mailFrom) });
}

/** A revision replaces what the customer holds: named, with its reason. */
export async function tellRevision(
  context: UseCaseContext,
  { row }: LoadedRun,
  { number, reason }: { number: string; reason: string },
): Promise<void> {
  await tell(context, row.customerId, 'revised', { number, reason });
}

export async function tellWithdrawal(
  context: UseCaseContext,
  withdrawn: { number: string; customerId: string },
  { number, reason }: { number: string; reason: string },
): Promise<void> {
  await tell(context, withdrawn.customerId, 'withdrawn', { withdrawn: withdrawn.number, number, reason });
}
