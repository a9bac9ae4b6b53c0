import { traceAddress, whereUsedCsv } from '@/features/recall/server';
import { route } from '@/platform/route';
import { readSettings } from '@/platform/settings';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/trace/export' }, async ({ tx, request }) => {
  const { asked } = traceAddress(Object.fromEntries(new URL(request.url).searchParams));
  const { zone } = await readSettings(tx);
  return tableResponse(asked ? await whereUsedCsv(tx, { ...asked, zone }) : '', 'where-used', request);
});
