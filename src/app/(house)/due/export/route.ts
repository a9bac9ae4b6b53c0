import { dueCalendar, dueCsv, windowOf } from '@/features/due/server';
import { dateIn } from '@/platform/clock';
import { hostOf } from '@/platform/put-mail';
import { route } from '@/platform/route';
import { readSettings } from '@/platform/settings';
import { isId } from '@/platform/shape';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/due/export' }, async ({ tx, now, request }) => {
  const asked = new URL(request.url).searchParams;
  const { zone, name, mailFrom } = await readSettings(tx);
  const customer = asked.get('customer') ?? undefined;
  const query = {
    window: windowOf(asked.get('window') ?? undefined),
    today: dateIn(zone, now),
    customerId: isId(customer) ? customer : undefined,
  };
  if (asked.get('as') !== 'ics') return tableResponse(await dueCsv(tx, query), 'due', request);
  return new Response(await dueCalendar(tx, query, { workshop: name, host: hostOf(mailFrom), now }), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="due.ics"',
      'cache-control': 'no-store',
    },
  });
});
