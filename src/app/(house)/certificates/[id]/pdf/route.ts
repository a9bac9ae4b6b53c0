import { certificatePdfOf } from '@/features/certificates/server';
import { route } from '@/platform/route';

export const GET = route({ permission: 'signedIn', name: '/certificates/[id]/pdf', transaction: false }, async ({ params }) => {
  const { bytes, name } = await certificatePdfOf(params.id!);
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}"`,
      'cache-control': 'private, max-age=3600',
    },
  });
});
