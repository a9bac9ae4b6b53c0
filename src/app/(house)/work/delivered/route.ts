import { say } from '@/core/words/say';
import { deliveredCsv } from '@/features/money/server';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';
import '@/core/words/en/money';

const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;

export const GET = route({ permission: 'signedIn', name: '/work/delivered' }, async ({ tx, request }) => {
  const asked = new URL(request.url).searchParams;
  const [from, to] = [asked.get('from') ?? '', asked.get('to') ?? ''];
  if (!DAY.test(from) || !DAY.test(to)) throw new Problem(say({ code: 'work.days.asked' }), {}, 400);
  return tableResponse(await deliveredCsv(tx, { from, to }), `delivered-${from}-${to}`, request);
});
