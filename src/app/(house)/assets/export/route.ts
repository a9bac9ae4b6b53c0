import { assetsCsv } from '@/features/assets/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/assets/export' }, async ({ tx, request }) =>
  tableResponse(await assetsCsv(tx), 'instruments', request),
);
