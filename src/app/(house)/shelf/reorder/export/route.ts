import { reorderCsv } from '@/features/reorder/server';
import { dateIn } from '@/platform/clock';
import { route } from '@/platform/route';
import { readSettings } from '@/platform/settings';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/shelf/reorder/export' }, async ({ tx, now, request }) => {
  const { zone } = await readSettings(tx);
  return tableResponse(await reorderCsv(tx, dateIn(zone, now), now), 'to-order', request);
});
