import { auditCsv } from '@/features/office/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';
import { readSettings } from '@/platform/settings';

export const GET = route({ permission: 'office', name: '/office/audit/export' }, async ({ tx, request }) => {
  const { person, action, text, from, to } = Object.fromEntries(new URL(request.url).searchParams);
  const { zone } = await readSettings(tx);
  return tableResponse(await auditCsv(tx, { person, action, text, from, to, zone }), 'audit', request);
});
