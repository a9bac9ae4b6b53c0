import { documentJson } from '@/features/certificates/server';
import { programRoute } from '@/features/programs/server';

export const GET = programRoute('/api/v1/documents/[id]/json', 'documents', async ({ params, read }) => {
  const { text } = await read((tx) => documentJson(tx, params.id!));
  return new Response(text, { headers: { 'content-type': 'application/json' } });
});
