import { registerAddress, registerCsv } from '@/features/register/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/register/export' }, async ({ tx, request }) => {
  const { asked } = registerAddress(Object.fromEntries(new URL(request.url).searchParams));
  return tableResponse(await registerCsv(tx, asked), 'nonconforming-work', request);
});
