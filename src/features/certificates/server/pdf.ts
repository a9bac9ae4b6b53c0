import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { certificate, certificatePdf } from '@/data/schema';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import { isId } from '@/platform/shape';
import { checkOrigin } from '@/platform/check-origin';
import { drawCertificate } from './draw';
import { publishedKeys } from './sign';
import { signPdf } from './sign-pdf';

/** The PDF of a certificate: drawn at the first opening, then kept. */
export async function certificatePdfOf(
  { tx, now }: Pick<UseCaseContext, 'tx' | 'now'>,
  id: string,
): Promise<{ bytes: Buffer; name: string }> {
  const [row] = isId(id) ? await tx.select().from(certificate).where(eq(certificate.id, id)) : [];
  if (!row) throw new Problem('This certificate does not exist.', {}, 404);
  const name = `${row.number}${row.revision ? `-r${row.revision}` : ''}.pdf`;
  const [kept] = await tx.select().from(certificatePdf).where(eq(certificatePdf.certificateId, id));
  if (kept) return { bytes: kept.bytes, name };
  const drawn = await drawCertificate(row.content, {
    hash: row.hash,
    token: row.token,
    signature: row.signature,
    keyId: row.keyId,
    issuedAt: row.issuedAt,
    origin: checkOrigin(),
    keys: (await publishedKeys()).map((key) => key.kid),
  });
  const { name: signer, address: place } = row.content.laboratory;
  const bytes = await signPdf(drawn, { name: signer, place, at: row.issuedAt });
  const mine = await tx
    .insert(certificatePdf)
    .values({ certificateId: id, bytes, hash: createHash('sha256').update(bytes).digest('hex'), drawnAt: now })
    .onConflictDoNothing()
    .returning({ id: certificatePdf.certificateId });
  if (mine.length) return { bytes, name };
  // Somebody opened it at the same moment: one issued file only, the one whose hash is on record.
  const [first] = await tx.select().from(certificatePdf).where(eq(certificatePdf.certificateId, id));
  return { bytes: first!.bytes, name };
}
