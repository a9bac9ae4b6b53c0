import { say } from '@/core/words/say';
import { feedCalendar } from '@/features/feeds/server';
import { checkOrigin } from '@/platform/check-origin';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import '@/core/words/en/feeds';

/** A calendar by its secret address. One that was ended, or guessed, is nothing. */
export const GET = route({ permission: 'public', name: '/feed/[file]' }, async ({ tx, params }) => {
  const [, secret] = /^([\w-]{43})\.ics$/.exec(params.file!) ?? [];
  const text = secret ? await feedCalendar(tx, secret, new URL(checkOrigin()).hostname) : null;
  if (text === null) throw new Problem(say({ code: 'feed.unknown' }), {}, 404);
  return new Response(text, {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, no-store' },
  });
});
