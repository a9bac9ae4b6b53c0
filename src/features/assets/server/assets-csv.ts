import { asc, eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { SAMPLE_QUANTITIES } from '@/core/instrument/samples';
import type { Transaction } from '@/data/connection';
import { listAssets, type AssetAsked } from './list-assets';
import { asset, assetUse, customer, customerSite, instrumentModel } from '@/data/schema';

/** Rows of the table at most. */
const MOST_ROWS = 1_000_000;

/** Instruments of a list with where it stands, since when, why and by whom, what it is used for and when it is due: a table for whoever wants to count. */
export async function assetsCsv(tx: Transaction, asked: AssetAsked = {}): Promise<string> {
  // The list says which, and in which order.
  const place = new Map((await listAssets(tx, { ...asked, pageSize: MOST_ROWS })).rows.map(({ id }, at) => [id, at]));
  const all = await tx
    .select({ asset, model: instrumentModel.name, kind: instrumentModel.kind, customer: customer.name, site: customerSite.name })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .leftJoin(customerSite, eq(asset.siteId, customerSite.id))
    .orderBy(asset.serial, asset.id);
  const rows = all.filter((row) => place.has(row.asset.id)).sort((a, b) => place.get(a.asset.id)! - place.get(b.asset.id)!);
  // The last one of each instrument stays.
  const uses = new Map((await tx.select().from(assetUse).orderBy(asc(assetUse.readOn))).map((one) => [one.assetId, one]));
  return Papa.unparse(
    {
      fields: [
        'serial',
        'tag',
        'maker',
        'model',
        'kind',
        'customer',
        'site',
        'status',
        'since',
        'why',
        'by',
        ...SAMPLE_QUANTITIES.map((quantity) => `samples_${quantity}`),
        'uses',
        'uses_on',
        'next_due',
        'bumped_at',
        'bump',
      ],
      data: rows.map(({ asset: one, model, kind, customer: owner, site }) => [
        one.serial,
        one.tag,
        one.maker,
        model,
        kind,
        owner,
        site ?? '',
        one.status,
        one.statusSince?.toISOString() ?? '',
        one.statusWhy,
        one.statusBy,
        ...SAMPLE_QUANTITIES.map((quantity) => one.samples?.[quantity] ?? ''),
        uses.get(one.id)?.count ?? '',
        uses.get(one.id)?.readOn ?? '',
        one.nextDue ?? '',
        one.bumpedAt?.toISOString() ?? '',
        one.bumpPassed === null ? '' : one.bumpPassed ? 'passed' : 'failed',
      ]),
    },
    // A cell that begins like a formula is no formula in anybody's spreadsheet.
    { escapeFormulae: true },
  );
}
