import { benchCommand } from '@/features/bench/server';
import { route } from '@/platform/route';
import { readJson } from '@/platform/shape';

/** Bench commands come here from the browser's outbox. The events are their own audit. */
export const POST = route({ permission: 'bench', name: '/api/bench' }, async ({ tx, actor, now, request }) => {
  const answer = await benchCommand({ tx, actor, now }, await readJson(request));
  return Response.json(answer, { status: answer.ok ? 200 : 409 });
});
