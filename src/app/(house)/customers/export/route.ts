import { customersCsv } from '@/features/customers/server';
import { route } from '@/platform/route';

export const GET = route(
  { permission: 'signedIn', name: '/customers/export' },
  async ({ tx }) =>
    new Response(await customersCsv(tx), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="customers.csv"',
        'cache-control': 'no-store',
      },
    }),
);
