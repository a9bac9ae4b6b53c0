import { documentJson } from '@/features/certificates/server';
import { route } from '@/platform/route';

export const GET = route({ permission: 'signedIn', name: '/certificates/[id]/json' }, async ({ tx, params }) => {
  const { text, name } = await documentJson(tx, params.id!);
  return new Response(text, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'private, max-age=3600',
    },
  });
});
