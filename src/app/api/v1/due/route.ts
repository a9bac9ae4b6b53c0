import { programRoute, readDue } from '@/features/programs/server';

export const GET = programRoute('/api/v1/due', 'due', async ({ query, read }) =>
  Response.json(await read((tx) => readDue(tx, query))),
);
