import { certificateList, certificatesCsv } from '@/features/certificates/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/certificates/export' }, async ({ tx, request }) => {
  const { asked } = certificateList(Object.fromEntries(new URL(request.url).searchParams));
  return tableResponse(await certificatesCsv(tx, asked), 'documents', request);
});
