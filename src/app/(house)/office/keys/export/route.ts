import { modelKeysCsv } from '@/features/bench/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'bench', name: '/office/keys/export' }, async ({ tx, request }) =>
  tableResponse(await modelKeysCsv(tx), 'keys-by-model', request),
);
