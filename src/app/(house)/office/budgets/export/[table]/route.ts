import { BUDGET_TABLES, budgetCsv } from '@/features/budgets/server';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';

export const GET = route({ permission: 'bench', name: '/office/budgets/export/[table]' }, async ({ tx, params }) => {
  const table = BUDGET_TABLES.find((one) => one === params.table);
  if (!table) throw new Problem('There is no such table.', {}, 404);
  return new Response(await budgetCsv(tx, table), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="budgets-${table}.csv"`,
      'cache-control': 'no-store',
    },
  });
});
