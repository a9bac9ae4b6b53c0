import { sql } from 'drizzle-orm';
import Papa from 'papaparse';
import type { IntervalAdvice } from '@/core/history/advise-interval';
import type { Every } from '@/core/interval/next-due';
import { ADVICE_CODES, readAdvice } from '@/core/stored/advice';
import type { Transaction } from '@/data/connection';
import { policiesOfMany } from '@/features/due/server';
import { isId } from '@/platform/shape';
import { adviceSentence, everyText } from '../advice-sentence';

export interface AdviceRow {
  assetId: string;
  item: string;
  serial: string;
  customerId: string;
  customer: string;
  madeAt: string;
  present: Every | null;
  advice: IntervalAdvice;
  sentence: string;
}

interface Found extends Record<string, unknown> {
  id: string;
  model_id: string;
  customer_id: string;
  item: string;
  serial: string;
  customer: string;
  made_at: string;
  advice: unknown;
}

/** What is advised, what would be found outside most often first; paged by key. Of instruments that are in use. */
export async function listAdvice(
  tx: Transaction,
  { code, after, pageSize = 40 }: { code?: string | undefined; after?: string | undefined; pageSize?: number },
): Promise<{ rows: AdviceRow[]; next: string | null }> {
  const wanted = ADVICE_CODES.find((one) => one === code);
  const { rows } = await tx.execute<Found>(sql`
    select a.id, a.model_id, a.customer_id, a.maker || ' ' || m.name as item, a.serial, k.name as customer, to_json(v.made_at)#>>'{}' as made_at, v.advice
    from interval_advice v join asset a on a.id = v.asset_id and a.status = 'inUse' join instrument_model m on m.id = a.model_id join customer k on k.id = a.customer_id
    where ${wanted ? sql`v.code = ${wanted}` : sql`v.code in ('extend', 'shorten', 'tooFast')`}
      ${isId(after) ? sql`and (coalesce(v.outside, -1), v.asset_id) < (select coalesce(w.outside, -1), w.asset_id from interval_advice w where w.asset_id = ${after}::uuid)` : sql``}
    order by coalesce(v.outside, -1) desc, v.asset_id desc limit ${pageSize + 1}`);
  const page = rows.slice(0, pageSize);
  const policies = await policiesOfMany(
    tx,
    page.map((row) => ({ id: row.id, modelId: row.model_id, customerId: row.customer_id })),
  );
  return {
    rows: page.map((row) => {
      const advice = readAdvice(row.advice);
      const present = policies.get(row.id)?.every ?? null;
      return {
        assetId: row.id,
        item: row.item,
        serial: row.serial,
        customerId: row.customer_id,
        customer: row.customer,
        madeAt: row.made_at,
        present,
        advice,
        sentence: present ? adviceSentence(advice, present) : '',
      };
    }),
    next: rows.length > pageSize ? page.at(-1)!.id : null,
  };
}

const MOST_ROWS = 20_000;
export async function adviceCsv(tx: Transaction, code: string | undefined): Promise<string> {
  const { rows } = await listAdvice(tx, { code, pageSize: MOST_ROWS });
  return Papa.unparse(
    {
      fields: [
        'maker_model',
        'serial',
        'customer',
        'way',
        'says',
        'present',
        'advised',
        'found_within_present',
        'found_within_advised',
        'advice',
      ],
      data: rows.map(({ item, serial, customer, present, advice, sentence }) => [
        item,
        serial,
        customer,
        advice.way,
        advice.code,
        present ? everyText(present) : '',
        advice.every ? everyText(advice.every) : '',
        advice.within?.present.toFixed(3) ?? '',
        advice.within?.advised.toFixed(3) ?? '',
        sentence,
      ]),
    },
    { escapeFormulae: true },
  );
}
