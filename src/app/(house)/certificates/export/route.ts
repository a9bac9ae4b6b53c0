import { certificatesCsv } from '@/features/certificates/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/certificates/export' }, async ({ tx, request }) =>
  tableResponse(await certificatesCsv(tx, new URL(request.url).searchParams.get('q') ?? undefined), 'documents', request),
);
