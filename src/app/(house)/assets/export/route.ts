import { assetList, assetsCsv } from '@/features/assets/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/assets/export' }, async ({ tx, request }) => {
  const { asked } = assetList(Object.fromEntries(new URL(request.url).searchParams));
  return tableResponse(await assetsCsv(tx, asked), 'instruments', request);
});
