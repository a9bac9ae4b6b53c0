import { chartCsv } from '@/features/control/server';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/shelf/control/[id]/export' }, async ({ tx, params, request }) => {
  const csv = await chartCsv(tx, params.id ?? '');
  if (csv === null) throw new Problem('There is no such chart.', {}, 404);
  return tableResponse(csv, 'control-chart', request);
});
