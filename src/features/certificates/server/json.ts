import { eq } from 'drizzle-orm';
import { canonicalJson } from '@/core/certificate/canonical';
import type { Transaction } from '@/data/connection';
import { certificate } from '@/data/schema';
import { Problem } from '@/platform/problem';
import { isId } from '@/platform/shape';

/** The document as data with its signature: the same that its PDF carries. */
export async function documentJson(tx: Transaction, id: string): Promise<{ text: string; name: string }> {
  const [row] = isId(id) ? await tx.select().from(certificate).where(eq(certificate.id, id)) : [];
  if (!row) throw new Problem('This certificate does not exist.', {}, 404);
  return jsonOf(row);
}

type Row = Pick<typeof certificate.$inferSelect, 'number' | 'revision' | 'content' | 'signature'>;
/** The same of a row that was read. */
const jsonOf = ({ content, signature, ...row }: Row): { text: string; name: string } => ({
  text: canonicalJson({ content, signature }),
  name: jsonName(row),
});

/** What the data of a document is called as a file. */
export const jsonName = ({ number, revision }: Pick<Row, 'number' | 'revision'>): string =>
  `${number}${revision ? `-r${revision}` : ''}.json`;
