import Papa from 'papaparse';
import { sourceFact } from '@/core/uncertainty/standing';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { listScope } from './scope';
import { listStudies } from './studies';
import { standingTable } from './standing-values';
import '@/core/words/en/budget';

export const BUDGET_TABLES = ['standing', 'studies', 'scope'] as const;
export type BudgetTable = (typeof BUDGET_TABLES)[number];

/** A cell that a spreadsheet would take for a formula is kept a text. */
const unparse = (rows: object[]) => Papa.unparse(rows, { escapeFormulae: true });

/** A table of the budgets room as CSV, withdrawn and ended rows included. */
export async function budgetCsv(tx: Transaction, table: BudgetTable): Promise<string> {
  if (table === 'standing')
    return unparse(
      (await standingTable(tx)).map(({ measurand, id, procedure, point, value, form, unit, source, at, by }) => ({
        measurand,
        influence: say({ code: `standing.${id}` }),
        procedure: procedure ?? '',
        point: point ?? '',
        value,
        form,
        unit: unit ?? '',
        source: say(sourceFact(source)),
        set: at ?? '',
        by: by ?? '',
      })),
    );
  if (table === 'studies')
    return unparse(
      (await listStudies(tx)).map(({ series, at, ...study }) => ({
        ...study,
        series: series.map((one) => one.join(' ')).join('; '),
        at: at.toISOString(),
      })),
    );
  return unparse(
    (await listScope(tx, { ended: true })).map(({ id: _id, at, endedAt, ...line }) => ({
      ...line,
      at: at.toISOString(),
      endedAt: endedAt?.toISOString() ?? '',
    })),
  );
}
