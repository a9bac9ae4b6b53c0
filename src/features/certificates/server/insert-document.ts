import { randomBytes, randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { CertificateVersion2 } from '@/core/certificate';
import { contentHash } from '@/core/certificate/canonical';
import { certificate } from '@/data/schema';
import { nextCount, nextNumber } from '@/platform/next-number';
import type { UseCaseContext } from '@/platform/use-case';
import { enqueue } from '@/platform/jobs';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import { say } from '@/core/words/say';
import { drawJob } from './draw-job';
import { signContent } from './sign';
import '@/core/words/en/sign';

export interface DocumentPlace {
  series: 'C' | 'N' | 'W';
  year: number;
  serial: number;
  runId: string;
  ticketId: string | null;
  assetId: string;
  customerId: string;
  replaces?: string | null;
  withdraws?: string | null;
}

const COUNTER = { C: 'certificate', N: 'notCalibrated', W: 'withdrawal' } as const;

/** The next number of a series of documents, as it is printed. */
export async function takeNumber(
  context: UseCaseContext,
  series: DocumentPlace['series'],
): Promise<{ year: number; serial: number; number: string }> {
  const { year, count, number } = await nextNumber(context, COUNTER[series]);
  return { year, serial: count, number };
}

/**
 * Puts a document into the order of all documents: takes its place last, names the one issued before it by number and hash, signs, inserts.
 * The order's counter stays locked until the transaction ends, so that no two name the same one.
 */
export async function insertDocument(
  context: UseCaseContext,
  place: DocumentPlace,
  make: (previous: CertificateVersion2['previous']) => Promise<CertificateVersion2> | CertificateVersion2,
): Promise<{ id: string; content: CertificateVersion2 }> {
  const { tx, actor, now } = context;
  // Whoever gives out roles may be kept from giving out documents.
  if (actor.role === 'administrator' && !(await readSettings(tx)).administratorSigns)
    throw new Problem(say({ code: 'sign.apart' }), {}, 403);
  const issueNo = await nextCount(tx, 'issue', 0);
  const [before] =
    issueNo > 1
      ? await tx
          .select({ number: certificate.number, revision: certificate.revision, hash: certificate.hash })
          .from(certificate)
          .where(eq(certificate.issueNo, issueNo - 1))
      : [];
  const previous = before
    ? { number: before.revision ? `${before.number} revision ${before.revision}` : before.number, hash: before.hash }
    : null;
  const content = await make(previous);
  const id = randomUUID();
  await tx.insert(certificate).values({
    id,
    ...place,
    content,
    hash: contentHash(content),
    ...(await signContent(content)),
    number: content.number,
    revision: content.revision,
    kind: content.kind,
    issueNo,
    // A random token, never the guessable number, stands on label and PDF.
    token: randomBytes(18).toString('base64url'),
    issuedAt: now,
    issuedBy: actor.name,
    signed: context.signed ?? null,
  });
  // Drawn while nobody waits. What was entered with a date long past is drawn when somebody opens it.
  if (Date.now() - now.getTime() < 86_400_000) await enqueue(tx, 'drawDocument', { certificateId: id }, drawJob(id));
  return { id, content };
}
