import { modelsJson } from '@/features/models/server';
import { route } from '@/platform/route';

export const GET = route(
  { permission: 'signedIn', name: '/models/export' },
  async ({ tx }) =>
    new Response(await modelsJson(tx), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': 'attachment; filename="models.json"',
        'cache-control': 'no-store',
      },
    }),
);
