import { certificatePdfOf } from '@/features/certificates/server';
import { programRoute } from '@/features/programs/server';

export const GET = programRoute('/api/v1/documents/[id]/pdf', 'documents', async ({ params }) => {
  const { bytes } = await certificatePdfOf(params.id!);
  return new Response(new Uint8Array(bytes), { headers: { 'content-type': 'application/pdf' } });
});
