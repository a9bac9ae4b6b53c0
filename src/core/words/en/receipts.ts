import { addWords } from '../registry';
import '../choices';

/** Words of a receipt: what one customer brought at one time. */
export const RECEIPTS = {
  'receipt.title': 'Receipt {number}',
  'receipt.one': 'Receipt',
  'receipt.brought': 'Received {at} by {by}',
  'receipt.over': 'Everything on this receipt has left the house.',
  'receipt.instrument': 'Instrument',
  'receipt.wish': 'Wish',
  'receipt.promised': 'Promised for',
  'receipt.state': 'Where it is',
  'receipt.cancelled': 'cancelled',
  'receipt.uncalibrated': 'returned without calibration',
  'receipt.correct': 'Correct this receipt',
  'receipt.correctHow': 'Who brought it, and what was noted. What the instruments are for stands on their tickets.',
  'receipt.bringer': 'Who brought it',
  'receipt.note': 'Note',
  'receipt.save': 'Save',
  'receipt.isNow': 'On record now: {text}',
  'receipt.isNowEmpty': 'On record now: nothing',
  'receipt.meanwhile':
    'Somebody changed it meanwhile. What is on record now stands beside each field: save again to put yours in its place.',
  'receipt.add': 'Add instruments',
  'receipt.addTo': 'Adds to receipt {number}: what came with the same delivery.',
  'receipt.addLeave': 'A receipt of its own',
  'receipt.split': 'Put some on a receipt of their own',
  'receipt.splitHow':
    'For those that somebody else fetches, or that are invoiced apart. Day and hour of arrival stay; the tickets keep their numbers.',
  'receipt.splitDo': 'Put on a new receipt',
  'receipt.splitSome': 'Choose at least one, and leave at least one.',
  'receipt.cancel': 'Cancel the whole receipt',
  'receipt.cancelHow':
    'For one that was taken down by mistake. Numbers stay on record. Possible while no work on any of it has begun.',
  'receipt.cancelNotNow': 'Work has begun on {codes}: cancel the others by their tickets.',
  'receipt.cancelNothing': 'Nothing of it is in the house any more.',
  'receipt.why': 'Why?',
  'receipt.whyExample': 'taken down twice',
  'receipt.unknown': 'There is no such receipt.',
  'receipt.otherCustomer': 'This receipt is another customer’s.',
  'receipt.closed': 'All on this receipt has left the house: take new instruments in on a new one.',
  'receipt.elsewhere': 'One of these is not on this receipt any more.',
  'receipt.paper': 'Receipt for the customer',
  'receipt.paperTitle': 'Received for calibration',
  'receipt.paperText': 'We have received these instruments. Please bring this paper when you fetch them.',
  'receipt.paperFaults': 'Noted on receipt',
  'receipt.paperNotDue': 'The due date is not stated on certificate and label: nothing was agreed.',
  'receipt.paperSign': 'Brought by (name, date)',
  'receipt.paperTaken': 'Received by',
  'receipt.slips': '{count, plural, one {Slip to print} other {All # slips}}',
  'receipt.delivery': 'Delivery note',
} as const;
addWords(RECEIPTS);
