import { programRoute, readDocuments } from '@/features/programs/server';

export const GET = programRoute('/api/v1/documents', 'documents', async ({ query, read }) =>
  Response.json(await read((tx) => readDocuments(tx, query))),
);
