import { customersCsv } from '@/features/customers/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/customers/export' }, async ({ tx, request }) =>
  tableResponse(await customersCsv(tx), 'customers', request),
);
