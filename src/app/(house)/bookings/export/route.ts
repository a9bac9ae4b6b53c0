import { bookingsCsv } from '@/features/bookings/server';
import { route } from '@/platform/route';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/bookings/export' }, async ({ tx, request }) =>
  tableResponse(await bookingsCsv(tx), 'bookings', request),
);
