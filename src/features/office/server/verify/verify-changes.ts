import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { addFault, type VerifyReport } from './report';

/**
 * The change log in itself, and every row that it follows against what it was last: a row that was changed, added or taken away behind the triggers' back is named. Worked out by the database, which sends back only what is wrong.
 */
export async function verifyChanges(tx: Transaction, report: VerifyReport): Promise<void> {
  const { rows: counted } = await tx.execute<{ n: number }>(sql`select count(*)::int as n from change_log`);
  report.changes = counted[0]!.n;
  const { rows: broken } = await tx.execute<{ id: number; name: string }>(sql`
    select id::int as id, table_name || ' ' || row_key as name from change_log
    where hash is distinct from change_hash(at, actor, door, table_name, row_key, kind, before, after, digest) order by id limit 1000`);
  for (const { id, name } of broken) addFault(report, `change ${id} (${name})`, 'its content does not match its hash');
  const { rows: kept } = await tx.execute<{ table_name: string; key_columns: string[] }>(
    sql`select table_name, key_columns from change_kept order by table_name`,
  );
  // Which tables are followed is known here as well: one that was taken off the list would be followed no more.
  for (const name of FOLLOWED.filter((one) => !kept.some((row) => row.table_name === one)))
    addFault(report, `table ${name}`, 'its changes are not followed any more');
  for (const { table_name: table, key_columns: key } of kept) await verifyTable(tx, report, table, key);
}

/** What was drawn of each bottle, against its bookings and the last reading of its gauge. */
export async function verifyTotals(tx: Transaction, report: VerifyReport): Promise<void> {
  const { rows } = await tx.execute<{ id: string }>(sql`
    with ought as (
      select r.id, coalesce(sum(b.litres), 0) as litres, coalesce(sum(b.litres) filter (where g.at is null or b.at > g.at), 0) as since_gauge, g.at as gauge_at
      from reference r
      left join lateral (select max(at) as at from reference_check c where c.reference_id = r.id and c.what = 'pressure') g on true
      left join reference_booking b on b.reference_id = r.id group by r.id, g.at)
    select coalesce(o.id, t.reference_id)::text as id from ought o full join reference_total t on t.reference_id = o.id
    where o.id is null or (t.reference_id is null and (o.litres <> 0 or o.gauge_at is not null))
      or t.litres <> o.litres or t.since_gauge <> o.since_gauge or t.gauge_at is distinct from o.gauge_at and t.reference_id is not null order by 1 limit 1000`);
  for (const { id } of rows) addFault(report, `reference ${id}, its total`, 'it is not what its bookings come to');
}

const FOLLOWED = [
  'account',
  'asset',
  'asset_channel',
  'asset_use',
  'certificate',
  'certificate_pdf',
  'customer',
  'customer_contact',
  'customer_merge',
  'customer_notice',
  'customer_site',
  'customer_tolerance',
  'house_check',
  'import_batch',
  'installation_check',
  'job_position',
  'offer',
  'price',
  'instrument_model',
  'interval_policy',
  'mail',
  'kept_file',
  'loan',
  'model_key',
  'customer_question',
  'supplier_review',
  'practice_exercise',
  'practice_attempt',
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
  'own_procedure',
  'own_procedure_version',
  'person_key',
  'probe_place',
  'procedure_recall',
  'program_token',
  'procedure_version',
  'receipt',
  'reference',
  'reference_check',
  'reminder',
  'repeat_study',
  'run',
  'run_photo',
  'run_trace',
  'scope_entry',
  'setting',
  'signing_key',
  'standing_value',
  'station_entry',
  'stock_item',
  'stock_use',
  'station_record',
  'ticket',
  'user',
];

/** Tables whose rows have a person in them: their digests are keyed. */
const WITH_PERSONS = ['customer', 'customer_contact'];

const SAYS = {
  unknown: 'it is there, and nobody made it',
  gone: 'it was taken away, and nobody did',
  back: 'it was taken away, and is there again',
  changed: 'it is not what it was last changed to',
} as const;

/** Ways in: they do not travel with a house that was exported and read back. */
const WAYS_IN = ['account', 'two_factor', 'passkey', 'unlock_secret', 'password_link', 'program_token'];

async function verifyTable(tx: Transaction, report: VerifyReport, table: string, key: string[]): Promise<void> {
  const columns = sql.join(
    key.map((one) => sql`${one}`),
    sql`, `,
  );
  const { rows } = await tx.execute<{ name: string; what: keyof typeof SAYS }>(sql`
    with last as (
      select distinct on (row_key) row_key, kind, digest, at from change_log where table_name = ${table} order by row_key, id desc
    ), now_there as (
      select row_key(to_jsonb(t), array[${columns}]::text[]) as row_key, ${WITH_PERSONS.includes(table) ? sql`kept_digest(${table}, to_jsonb(t))` : sql`row_digest(to_jsonb(t))`} as digest from ${sql.identifier(table)} t
    )
    select coalesce(n.row_key, l.row_key) as name,
      case when l.row_key is null then 'unknown' when n.row_key is null then 'gone' when l.kind = 'taken' then 'back' else 'changed' end as what
    from now_there n full join last l on l.row_key = n.row_key
    where l.row_key is null or (n.row_key is null and l.kind <> 'taken' and not (${WAYS_IN.includes(table)} and l.at <= coalesce((select max(exported_at) from read_back), '-infinity'))) or (n.row_key is not null and (l.kind = 'taken' or l.digest <> n.digest))
    order by 1 limit 1000`);
  for (const { name, what } of rows) addFault(report, `${table} ${name}`, SAYS[what]);
}
