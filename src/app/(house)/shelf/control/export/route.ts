import { comparisonsCsv } from '@/features/control/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/shelf/control/export' }, async ({ tx, request }) =>
  tableResponse(await comparisonsCsv(tx), 'comparisons', request),
);
