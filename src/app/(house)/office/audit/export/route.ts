import { auditCsv } from '@/features/office/server';
import { route } from '@/platform/route';
import { readSettings } from '@/platform/settings';

export const GET = route({ permission: 'office', name: '/office/audit/export' }, async ({ tx, request }) => {
  const { person, action, text, from, to } = Object.fromEntries(new URL(request.url).searchParams);
  const { zone } = await readSettings(tx);
  return new Response(await auditCsv(tx, { person, action, text, from, to, zone }), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="audit.csv"',
      'cache-control': 'no-store',
    },
  });
});
