import { modelKeysCsv } from '@/features/bench/server';
import { route } from '@/platform/route';

export const GET = route(
  { permission: 'bench', name: '/office/keys/export' },
  async ({ tx }) =>
    new Response(await modelKeysCsv(tx), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="keys-by-model.csv"',
        'cache-control': 'no-store',
      },
    }),
);
