import { programRoute, readInstruments } from '@/features/programs/server';

export const GET = programRoute('/api/v1/instruments', 'instruments', async ({ query, read }) =>
  Response.json(await read((tx) => readInstruments(tx, query))),
);
