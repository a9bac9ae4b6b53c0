import { ticketList, ticketsCsv } from '@/features/counter/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/tickets/export' }, async ({ tx, request }) => {
  const { asked } = ticketList(Object.fromEntries(new URL(request.url).searchParams));
  return tableResponse(await ticketsCsv(tx, asked), 'tickets', request);
});
