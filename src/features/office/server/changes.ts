import { and, desc, inArray, lt, ne, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { changeRow } from '@/data/change-row';
import { changeLog, houseCheck } from '@/data/schema';

/** What people look for. What goes with each visit anyway is in the log, not in this list. */
export const CHANGED_TABLES = [
  'customer',
  'customer_contact',
  'customer_merge',
  'customer_site',
  'customer_tolerance',
  'customer_question',
  'supplier_review',
  'practice_exercise',
  'run_watched',
  'competence',
  'control_chart',
  'supply_terms',
  'control_point',
  'comparison',
  'booking',
  'booking_item',
  'calendar_feed',
  'customer_bump',
  'window_link',
  'window_request',
  'window_session',
  'suspicion',
  'suspicion_result',
  'nonconformity',
  'nonconformity_step',
  'asset',
  'asset_channel',
  'instrument_model',
  'reference',
  'reference_check',
  'interval_policy',
  'own_procedure',
  'procedure_recall',
  'import_batch',
  'installation_check',
  'price',
  'stock_item',
  'stock_use',
  'loan',
  'offer',
  'job_position',
  'setting',
  'user',
  'standing_value',
  'scope_entry',
  'repeat_study',
  'model_key',
  'asset_use',
  'probe_place',
] as const;

/** Changes of what is kept, newest first, paged by key; of one kind of thing, where asked. */
export async function listChanges(
  tx: Transaction,
  { before, table, pageSize = 30 }: { before?: string | undefined; table?: string | undefined; pageSize?: number },
) {
  const key = Number(before);
  const rows = await tx
    .select(changeRow)
    .from(changeLog)
    .where(
      and(
        Number.isSafeInteger(key) && key > 0 ? lt(changeLog.id, key) : undefined,
        ne(changeLog.kind, 'there'),
        inArray(changeLog.tableName, CHANGED_TABLES.some((one) => one === table) ? [table!] : [...CHANGED_TABLES]),
      ),
    )
    .orderBy(desc(changeLog.id))
    .limit(pageSize + 1);
  const page = rows.slice(0, pageSize);
  return { rows: page, names: await namesOf(tx, page), next: rows.length > pageSize ? String(page.at(-1)!.id) : null };
}

/** What people call the rows: a customer by its name, an instrument by its serial. */
async function namesOf(tx: Transaction, rows: { tableName: string; rowKey: string }[]): Promise<Record<string, string>> {
  const names: Record<string, string> = {};
  for (const [table, column] of [
    ['customer', 'name'],
    ['asset', 'serial'],
    ['instrument_model', 'name'],
    ['reference', 'lot'],
    ['import_batch', 'file_name'],
    ['user', 'name'],
  ] as const) {
    const keys = [...new Set(rows.filter((row) => row.tableName === table).map((row) => row.rowKey))];
    if (!keys.length) continue;
    const found = await tx.execute<{ key: string; name: string }>(
      sql`select id::text as key, ${sql.identifier(column)} as name from ${sql.identifier(table)} where ${inArray(sql`id::text`, keys)}`,
    );
    for (const { key, name } of found.rows) names[`${table}/${key}`] = name;
  }
  return names;
}

/** The newest of each kind of what the house found of itself. */
export async function houseFindings(tx: Transaction) {
  return tx.selectDistinctOn([houseCheck.kind]).from(houseCheck).orderBy(houseCheck.kind, desc(houseCheck.id));
}
