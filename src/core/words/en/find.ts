import { addWords } from '../registry';

/** Words of the field that finds anything. */
export const FIND = {
  'find.field': 'Scan or type a code',
  'find.found': 'Found',
  'find.looking': 'Looking …',
  'find.none': 'Nothing has “{text}”.',
  'find.alike': 'much like it',
  'find.tickets': 'Tickets',
  'find.receipts': 'Receipts',
  'find.register': 'Nonconforming work',
  'find.bookings': 'Bookings',
  'find.documents': 'Documents',
  'find.instruments': 'Instruments',
  'find.customers': 'Customers',
  'find.contacts': 'Contacts',
  'find.sites': 'Sites of customers',
  'find.shelf': 'Shelf',
  'find.models': 'Models',
  'find.people': 'People',
  'find.mails': 'Mails',
  'find.spares': 'Spares',
  'find.devices': 'Devices',
  'find.files': 'Photos and papers',
} as const;
addWords(FIND);
