import { procedureJson } from '@/features/procedures/server';
import { say } from '@/core/words/say';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import '@/core/words/en/models';

export const GET = route({ permission: 'signedIn', name: '/procedures/[id]/json' }, async ({ tx, params }) => {
  const text = await procedureJson(tx, params.id!);
  if (!text) throw new Problem(say({ code: 'model.noProcedure' }), {}, 404);
  return new Response(text, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${params.id}.json"`,
      'cache-control': 'no-store',
    },
  });
});
