import { zipResponse } from '@/features/certificates/server';
import { route } from '@/platform/route';

/** The documents that were chosen in the list. It draws what nobody opened yet, so it holds no transaction. */
export const GET = route({ permission: 'signedIn', name: '/certificates/zip', transaction: false }, ({ now, request }) =>
  zipResponse(new URL(request.url).searchParams.getAll('id'), now),
);
