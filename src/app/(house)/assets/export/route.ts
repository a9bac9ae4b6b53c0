import { assetsCsv } from '@/features/assets/server';
import { route } from '@/platform/route';

export const GET = route(
  { permission: 'signedIn', name: '/assets/export' },
  async ({ tx }) =>
    new Response(await assetsCsv(tx), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="instruments.csv"',
        'cache-control': 'no-store',
      },
    }),
);
