import { sql } from 'drizzle-orm';
import Papa from 'papaparse';
import type { SupplierVerdict } from '@/core/stored/supplier-verdict';
import type { Transaction } from '@/data/connection';

export interface SupplierLine extends Record<string, unknown> {
  supplier: string;
  /** What came of them: lots in all, accepted, out of date before they were opened, recalled, with a failed check, suspected. */
  lots: number;
  accepted: number;
  overAge: number;
  recalled: number;
  failed: number;
  suspected: number;
  newest: string | null;
  verdict: SupplierVerdict | null;
  why: string | null;
  reviewBy: string | null;
  reviewedAt: string | null;
  reviewedBy: string | null;
  earlier: number;
}

/** Suppliers by what came of them, those with nothing against them last; one that was evaluated and never delivered is there too. */
export async function listSuppliers(tx: Transaction): Promise<SupplierLine[]> {
  const { rows } = await tx.execute<SupplierLine>(sql`
    with came as (
      select lower(coalesce(nullif(f.maker, ''), f.issuer)) as who, min(coalesce(nullif(f.maker, ''), f.issuer)) as supplier, count(distinct (f.name, f.lot))::int as lots, count(*) filter (where f.accepted is not null)::int as accepted,
        count(*) filter (where f.opened_on is null and f.kind in ('buffer', 'standard', 'solution') and f.expires < (now() at time zone public_zone())::date)::int as "overAge", count(*) filter (where f.recalled is not null)::int as recalled,
        count(*) filter (where exists (select from reference_check c where c.reference_id = f.id and c.result = 'fault'))::int as failed,
        count(*) filter (where exists (select from suspicion s where s.reference_id = f.id and s.ending is distinct from 'unfounded'))::int as suspected, (max(f.created_at) at time zone public_zone())::date::text as newest
      from reference f where coalesce(nullif(f.maker, ''), f.issuer) is not null group by 1
    ), held as (
      select distinct on (lower(r.supplier)) lower(r.supplier) as who, r.supplier, r.verdict, r.why, r.review_by::text as "reviewBy", to_json(r.made_at)#>>'{}' as "reviewedAt", r.made_by as "reviewedBy",
        (count(*) over (partition by lower(r.supplier)) - 1)::int as earlier
      from supplier_review r order by lower(r.supplier), r.made_at desc, r.id desc
    )
    select coalesce(came.supplier, held.supplier) as supplier, coalesce(lots, 0) as lots, coalesce(accepted, 0) as accepted, coalesce("overAge", 0) as "overAge", coalesce(recalled, 0) as recalled, coalesce(failed, 0) as failed,
      coalesce(suspected, 0) as suspected, newest, verdict, why, "reviewBy", "reviewedAt", "reviewedBy", coalesce(earlier, 0) as earlier
    from came full join held using (who) order by coalesce(recalled, 0) + coalesce(failed, 0) + coalesce(suspected, 0) desc, lower(coalesce(came.supplier, held.supplier))`);
  return rows;
}

/** The same as a table. */
export async function suppliersCsv(tx: Transaction): Promise<string> {
  const rows = await listSuppliers(tx);
  return Papa.unparse(
    {
      fields: [
        'supplier',
        'lots',
        'accepted',
        'over_age',
        'recalled',
        'failed_checks',
        'suspected',
        'verdict',
        'why',
        'review_by',
        'reviewed_by',
      ],
      data: rows.map((row) => [
        row.supplier,
        row.lots,
        row.accepted,
        row.overAge,
        row.recalled,
        row.failed,
        row.suspected,
        row.verdict ?? '',
        row.why ?? '',
        row.reviewBy ?? '',
        row.reviewedBy ?? '',
      ]),
    },
    { escapeFormulae: true },
  );
}
