import { questionsCsv } from '@/features/questions/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/customers/questions/export' }, async ({ tx, now, request }) => {
  const { searchParams } = new URL(request.url);
  const [state, q] = [searchParams.get('state') ?? undefined, searchParams.get('q') ?? undefined];
  return tableResponse(await questionsCsv(tx, { state, q, now }), 'asked-by-link', request);
});
