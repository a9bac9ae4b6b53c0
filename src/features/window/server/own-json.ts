import { sql } from 'drizzle-orm';
import { canonicalJson } from '@/core/certificate/canonical';
import type { CertificateContent } from '@/core/certificate';
import type { Transaction } from '@/data/connection';
import { isId } from '@/platform/shape';

/** A document of theirs as data with its signature: the same that its PDF carries. Null where it isn't theirs. */
export async function ownJson(tx: Transaction, id: string): Promise<{ text: string; name: string } | null> {
  if (!isId(id)) return null;
  const { rows } = await tx.execute<{ content: CertificateContent; signature: string; number: string; revision: number }>(
    sql`select content, signature, number, revision from certificate where id = ${id}::uuid`,
  );
  const [row] = rows;
  if (!row) return null;
  const { content, signature, number, revision } = row;
  return { text: canonicalJson({ content, signature }), name: `${number}${revision ? `-r${revision}` : ''}.json` };
}
