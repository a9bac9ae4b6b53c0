import { addWords } from '../registry';
import '../choices';

/** Words of what the shelf will be used for, and what is ordered again. */
export const REORDER = {
  'reorder.title': 'What the shelf will be used for',
  'reorder.short': 'What to order',
  'reorder.how':
    'By what is booked and due in the next twelve weeks, and what a run of each model drew in the last year. What ends first is used first.',
  'reorder.list': 'To order',
  'reorder.nothing': 'Nothing is short in the next twelve weeks.',
  'reorder.print': 'Print this list',
  'reorder.what': 'What',
  'reorder.many': 'How many',
  'reorder.supplier': 'Supplier',
  'reorder.part': 'Part number',
  'reorder.price': 'Price each',
  'reorder.sum': 'Together',
  'reorder.by': 'Order by',
  'reorder.late': 'late already',
  'reorder.total': 'Sum: {sum} {currency}',
  'reorder.noPrices': 'without those whose price is not on record',
  'reorder.runs': 'Expected',
  'reorder.runsOf': '{runs, plural, one {# run} other {# runs}}, {litres} L',
  'reorder.none': 'none expected',
  'reorder.others': '{count} more, which nothing booked or due needs',
  'reorder.gasUsed':
    'the newest {runs, plural, one {run} other {# runs}} used {used} L; {shortest} L would have done ({times} ×)',
  'reorder.left': 'Left',
  'reorder.bottle': '{lot}: {left} L',
  'reorder.usedUp': 'used up on {on}',
  'reorder.wasted': 'ends on {on} with {litres} L unused',
  'reorder.lasts': 'lasts longer',
  'reorder.shortOn': 'short from {on}',
  'reorder.enough': 'enough',
  'reorder.terms': 'How it is bought',
  'reorder.change': 'Change',
  'reorder.leadDays': 'Days it takes',
  'reorder.holds': 'One holds, L',
  'reorder.save': 'Save',
  'reorder.leave': 'Cancel',
  'reorder.drop': 'As the newest lot says',
  'reorder.needsDays': 'Whole days, 0 to 730.',
  'reorder.needsHolds': 'Litres above nought, or nothing.',
  'reorder.needsPrice': 'A price such as 85.50, or nothing.',
} as const;
addWords(REORDER);
