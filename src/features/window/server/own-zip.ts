import { zipSync } from 'fflate';
import { sql } from 'drizzle-orm';
import { canonicalJson } from '@/core/certificate/canonical';
import type { CertificateContent } from '@/core/certificate';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import '@/core/words/en/window';

/** Documents of one file; the newest, where there are more. */
const MOST = 200;

interface Row extends Record<string, unknown> {
  id: string;
  number: string;
  revision: number;
  content: CertificateContent;
  signature: string;
  bytes: Buffer | null;
}

/** The customer's documents that stand, the newest two hundred: of each the PDF as issued and its data. One that was never drawn is asked for, and named in a list. Null where there is none. */
export async function ownZip(tx: Transaction): Promise<Uint8Array | null> {
  const { rows } = await tx.execute<Row>(sql`
    select c.id, c.number, c.revision, c.content, c.signature, p.bytes from certificate c left join certificate_pdf p on p.certificate_id = c.id
    where c.withdraws is null and not exists (select from certificate w where w.withdraws = c.id) and not exists (select from certificate n where n.replaces = c.id)
    order by c.issued_at desc, c.id limit ${MOST}`);
  if (rows.length === 0) return null;
  const files: Record<string, Uint8Array> = {};
  const waiting: string[] = [];
  for (const { id, number, revision, content, signature, bytes } of rows) {
    const name = `${number}${revision ? `-r${revision}` : ''}`;
    files[`${name}.json`] = new TextEncoder().encode(canonicalJson({ content, signature }));
    if (bytes) files[`${name}.pdf`] = new Uint8Array(bytes);
    else {
      await tx.execute(sql`select window_draw(${id}::uuid)`);
      waiting.push(`${name}.pdf`);
    }
  }
  if (waiting.length)
    files['being-drawn.txt'] = new TextEncoder().encode([say({ code: 'window.zipWaits' }), ...waiting, ''].join('\n'));
  // PDFs are packed already.
  return zipSync(files, { level: 0 });
}
