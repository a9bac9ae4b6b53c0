import { shelfAddress, shelfCsv } from '@/features/shelf/server';
import { dateIn } from '@/platform/clock';
import { route } from '@/platform/route';
import { readSettings } from '@/platform/settings';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/shelf/export' }, async ({ tx, request, now }) => {
  const { asked } = shelfAddress(Object.fromEntries(new URL(request.url).searchParams));
  return tableResponse(await shelfCsv(tx, asked, dateIn((await readSettings(tx)).zone, now)), 'shelf', request);
});
