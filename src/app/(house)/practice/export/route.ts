import { attemptsCsv } from '@/features/practice/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/practice/export' }, async ({ tx, request }) =>
  tableResponse(await attemptsCsv(tx), 'practice', request),
);
