import { say } from '@/core/words/say';
import { unsubscribe } from '@/features/customers/server';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import '@/core/words/en/letters';

/** One press, by a person on our page or by the mail program of one (RFC 8058, 3.2): the form says List-Unsubscribe=One-Click, or nothing. A person is shown the page again. */
export const POST = route(
  {
    permission: 'public',
    name: '/api/unsubscribe/[token]',
    takes: ['application/x-www-form-urlencoded', 'multipart/form-data'],
    byItself: true,
  },
  async ({ tx, params, request }) => {
    const found = await unsubscribe(tx, params.token!, true);
    if (!found) throw new Problem(say({ code: 'unsubscribe.unknown' }), {}, 404);
    if (!request.headers.get('accept')?.includes('text/html')) return new Response(null, { status: 204 });
    return new Response(null, { status: 303, headers: { location: `/unsubscribe/${params.token!}` } });
  },
);
