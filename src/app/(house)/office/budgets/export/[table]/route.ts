import { BUDGET_TABLES, budgetCsv } from '@/features/budgets/server';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'bench', name: '/office/budgets/export/[table]' }, async ({ tx, params, request }) => {
  const table = BUDGET_TABLES.find((one) => one === params.table);
  if (!table) throw new Problem('There is no such table.', {}, 404);
  return tableResponse(await budgetCsv(tx, table), `budgets-${table}`, request);
});
