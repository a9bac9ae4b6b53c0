import { adviceCsv } from '@/features/advice/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/due/advice/export' }, async ({ tx, request }) =>
  tableResponse(await adviceCsv(tx, new URL(request.url).searchParams.get('says') ?? undefined), 'advice-on-intervals', request),
);
