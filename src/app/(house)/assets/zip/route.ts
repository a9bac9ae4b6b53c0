import { newestOfAssets, zipResponse } from '@/features/certificates/server';
import { route } from '@/platform/route';
import { database } from '@/data/connection';

/** The newest document of each of the instruments that were chosen. Drawing what nobody opened yet takes its time, so it holds no transaction. */
export const GET = route({ permission: 'signedIn', name: '/assets/zip', transaction: false }, async ({ now, request }) => {
  const chosen = new URL(request.url).searchParams.getAll('id');
  const { documents } = await database().transaction((tx) => newestOfAssets(tx, chosen));
  return zipResponse(documents, now);
});
