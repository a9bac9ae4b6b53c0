import { customersCsv } from '@/features/customers/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/customers/export' }, async ({ tx, request }) => {
  const asked = new URL(request.url).searchParams;
  return tableResponse(
    await customersCsv(tx, { q: asked.get('q') ?? '', down: asked.get('down') === 'yes' }),
    'customers',
    request,
  );
});
