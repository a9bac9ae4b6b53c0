import { personData } from '@/features/customers/server';
import { route } from '@/platform/route';

export const GET = route(
  { permission: 'receive', name: '/customers/[id]/contacts/[contact]/data' },
  async ({ tx, actor, now, params }) =>
    new Response(
      JSON.stringify(await personData({ tx, actor, now }, { customerId: params.id!, contactId: params.contact! }), null, 2),
      {
        headers: {
          'content-type': 'application/json; charset=utf-8',
          'content-disposition': 'attachment; filename="held-on-a-person.json"',
          'cache-control': 'no-store',
        },
      },
    ),
);
