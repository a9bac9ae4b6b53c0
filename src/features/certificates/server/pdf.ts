import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { database, type Database, type Transaction } from '@/data/connection';
import { certificate, certificatePdf } from '@/data/schema';
import { askJob } from '@/platform/jobs';
import { logoAddress, readLogo } from '@/platform/logo';
import { Problem } from '@/platform/problem';
import { isId } from '@/platform/shape';
import { checkOrigin } from '@/platform/check-origin';
import { drawCertificate } from './draw';
import { drawJob } from './draw-job';
import { publishedKeys } from './sign';
import { signPdf } from './sign-pdf';
import '@/core/words/en/answers';
import '@/core/words/en/certificates-room';

/** The PDF of a certificate, as it was issued; null while it was not drawn yet. Errors: Problem (404). */
export async function keptPdf(db: Database | Transaction, id: string): Promise<{ bytes: Buffer | null; name: string }> {
  const [row] = isId(id)
    ? await db
        .select({ number: certificate.number, revision: certificate.revision, bytes: certificatePdf.bytes })
        .from(certificate)
        .leftJoin(certificatePdf, eq(certificatePdf.certificateId, certificate.id))
        .where(eq(certificate.id, id))
    : [];
  if (!row) throw new Problem(say({ code: 'certificate.unknown' }), {}, 404);
  return { bytes: row.bytes, name: pdfName(row) };
}

/** What the file of a document is called. */
export const pdfName = ({ number, revision }: { number: string; revision: number }): string =>
  `${number}${revision ? `-r${revision}` : ''}.pdf`;

/**
 * The PDF as somebody opens it: kept, or drawn by the jobs process while this waits, so that nobody at a bench waits for a drawing. Holds no connection meanwhile. Errors: Problem (404), (503).
 */
export async function certificatePdfOf(id: string): Promise<{ bytes: Buffer; name: string }> {
  const db = database();
  const kept = await keptPdf(db, id);
  if (kept.bytes) return { bytes: kept.bytes, name: kept.name };
  await askJob(db, 'drawDocument', { certificateId: id }, drawJob(id).key);
  const { bytes } = await keptPdf(db, id);
  if (!bytes) throw new Problem(say({ code: 'paper.waits' }), {}, 503);
  return { bytes, name: kept.name };
}

/** Draws a certificate once and keeps it; the first drawing is the issued one. */
export async function drawAndKeep(db: Database | Transaction, id: string, now: Date): Promise<void> {
  const [row] = await db.select().from(certificate).where(eq(certificate.id, id));
  if (!row || (await keptPdf(db, id)).bytes) return;
  const logo = await readLogo(db);
  const drawn = await drawCertificate(row.content, {
    hash: row.hash,
    token: row.token,
    signature: row.signature,
    keyId: row.keyId,
    issuedAt: row.issuedAt,
    origin: checkOrigin(),
    keys: (await publishedKeys()).map((key) => key.kid),
    logo: logo ? logoAddress(logo) : undefined,
  });
  const { name: signer, address: place } = row.content.laboratory;
  const bytes = await signPdf(drawn, { name: signer, place, at: row.issuedAt });
  // Somebody drew it at the same moment: one issued file only, the one whose hash is on record.
  await db
    .insert(certificatePdf)
    .values({ certificateId: id, bytes, hash: createHash('sha256').update(bytes).digest('hex'), drawnAt: now })
    .onConflictDoNothing();
}
