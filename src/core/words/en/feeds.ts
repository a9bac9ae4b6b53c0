import { addWords } from '../registry';

/** Words of calendar feeds. */
export const FEEDS = {
  'feed.title': 'Calendar feeds',
  'feed.how':
    'A calendar program reads such an address by itself, again and again: what is due, promised and booked, each with its day as it stands. Whoever has the address reads it; an address can be ended, and another made.',
  'feed.kind.workshop': 'the workshop',
  'feed.kind.technician': 'a technician',
  'feed.kind.customer': 'a customer',
  'feed.whose': 'For',
  'feed.who': 'Whose',
  'feed.needsWho': 'Whose? Choose one.',
  'feed.make': 'Make an address',
  'feed.once': 'This address is shown once. Put it into the calendar program now:',
  'feed.made': 'made {at} by {by}',
  'feed.read': 'last read {at}',
  'feed.never': 'never read',
  'feed.end': 'End it',
  'feed.ended': 'ended',
  'feed.none': 'No address was made yet.',
  'feed.unknown': 'There is no such address.',
  'feed.due': 'Calibration due: {item} {serial}',
  'feed.dueOf': 'Calibration due: {item} {serial}, {customer}',
  'feed.promised': 'Promised: {item} {serial}, {code}',
  'feed.promisedOf': 'Promised: {item} {serial}, {code}, {customer}',
  'feed.booked': 'Booked: {customer}',
  'feed.calendar': 'Calibration, {name}',
  'feed.own': 'Calendar',
  'feed.ownHow': 'An address that your calendar program reads by itself: due dates, promises and bookings.',
} as const;
addWords(FEEDS);
