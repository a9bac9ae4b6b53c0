import { addWords } from '../registry';
import '../choices';

/** Words about a ticket's wish and its end. */
export const TICKETS = {
  'receive.due': 'Take {count, plural, one {the one that is due} other {all # that are due}}',
  'receive.sameForAll': 'Same for all {count}',
  'receive.sameWhat': 'Wish, promise, rule and what passed, as at the first one. Faults and notes stay with theirs.',
  'ticket.change': 'Change the wish',
  'ticket.changeWhat':
    'Wish, promise and note can be changed until the work begins; promise and note as long as it is in the house.',
  'ticket.service': 'Wish',
  'ticket.promise': 'Promised for',
  'ticket.note': 'Note',
  'ticket.dueAgreed': 'Due date on certificate and label agreed',
  'ticket.save': 'Save',
  'ticket.unknown': 'There is no such ticket.',
  'ticket.forbidden': 'Who receives instruments keeps tickets.',
  'ticket.closed': 'It was handed back: nothing of its ticket changes any more.',
  'ticket.begun': 'Work on it has begun as wished: the wish stays.',
  'ticket.cancel': 'Cancel this ticket',
  'ticket.cancelHow': 'For one that was taken down by mistake, or fetched before anything was done. The number stays on record.',
  'ticket.cancelNotNow': 'Work on it has begun: hand it back uncalibrated instead.',
  'ticket.handBack': 'Hand back uncalibrated',
  'ticket.handBackHow':
    'The instrument goes back as it came, with a paper that says so and why. A run that is open is given up first, on its sheet.',
  'ticket.runOpen': 'Its run is open: give it up on the run sheet first.',
  'ticket.hasResult': 'It was calibrated and waits for its document: approve or send back.',
  'ticket.why': 'Why?',
  'ticket.whyCancel': 'fetched again within the hour',
  'ticket.whyHandBack': 'no spare part to be had; customer declined the repair',
  'ticket.wasCancelled': 'Cancelled by {by}: {why}',
  'ticket.wasHandedBack': '{number}: handed back uncalibrated by {by}: {why}',
  'ticket.paper': 'Print the paper',
  'ticket.paperTitle': 'Returned without calibration',
  'ticket.paperText':
    'This instrument was returned without calibration. Nothing is stated about what it reads; do not rely on it until it has been calibrated. Follow the rules that apply at your site.',
  'ticket.paperReason': 'Reason',
  'ticket.paperReceived': 'Received',
  'ticket.paperReturned': 'Returned',
  'ticket.paperSign': 'Received back (name, date)',
} as const;
addWords(TICKETS);
