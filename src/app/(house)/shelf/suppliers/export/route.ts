import { suppliersCsv } from '@/features/suppliers/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/shelf/suppliers/export' }, async ({ tx, request }) =>
  tableResponse(await suppliersCsv(tx), 'suppliers', request),
);
