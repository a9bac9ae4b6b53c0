import { addWords } from '../registry';

/** Words of suppliers and what came of them. */
export const SUPPLIERS = {
  'supplier.title': 'Suppliers',
  'supplier.what': 'What came of each, and what was made of it (ISO/IEC 17025:2017, 6.6). A signatory evaluates.',
  'supplier.none': 'Nothing on the shelf says where it came from.',
  'supplier.name': 'Supplier',
  'supplier.nameNeeded': 'Say which supplier.',
  'supplier.lots': 'Lots',
  'supplier.accepted': 'Accepted',
  'supplier.overAge': 'Over age unopened',
  'supplier.recalled': 'Recalled',
  'supplier.failed': 'Failed a check',
  'supplier.suspected': 'Suspected',
  'supplier.stands': 'Evaluated',
  'supplier.verdict': 'Evaluation',
  'supplier.verdict.approved': 'approved',
  'supplier.verdict.watched': 'watched: each lot is compared with an earlier one',
  'supplier.verdict.barred': 'barred: nothing of theirs is accepted',
  'supplier.never': 'not evaluated',
  'supplier.why': 'What it rests on',
  'supplier.whyNeeded': 'Say what it rests on: their certificates, comparisons, what came of their lots.',
  'supplier.reviewBy': 'To be looked at again by',
  'supplier.noDay': 'A day.',
  'supplier.again': 'again by {on}',
  'supplier.overdue': 'was to be looked at again by {on}',
  'supplier.said': '{why} ({by}, {on})',
  'supplier.evaluate': 'Evaluate',
  'supplier.keep': 'Save the evaluation',
  'supplier.leave': 'Cancel',
  'supplier.barredHere': '{supplier} is barred: {why}',
} as const;
addWords(SUPPLIERS);
