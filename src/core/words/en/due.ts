import { addWords } from '../registry';
import '../choices';

/** Words of what is due, and of uses that are counted. */
export const DUE = {
  'due.calendar': 'Calibrations due, {workshop}',
  'due.event': '{customer}: {count, plural, one {# calibration} other {# calibrations}} due',
  'due.customer': 'Customer',
  'due.oneCustomer': 'One customer: type the name',
  'due.allCustomers': 'All customers',
  'due.nobody': 'Nobody of that name has anything due.',
  'uses.title': 'Uses, by its own counter',
  'uses.hint': 'A second figure for a day corrects the first; an empty one takes it away.',
  'uses.on': 'Day',
  'uses.count': 'What it shows',
  'uses.keep': 'Keep',
  'uses.kept': '{moved, select, yes {Kept; the due date moved.} other {Kept.}}',
  'uses.ahead': 'That day lies ahead.',
  'uses.forbidden': 'The counter or the bench notes uses.',
  'policy.forbidden': 'Who works at the bench sets intervals.',
  'uses.reached': '{used} uses since',
  'uses.pace': '{used} uses so far, at that pace',
  'policy.uses': 'or after uses',
  'remind.made':
    '{mails, plural, =0 {Nothing is due that was not told already.} one {# mail made for {instruments, plural, one {# instrument} other {# instruments}}; it is on its way: see the outbox.} other {# mails made for {instruments, plural, one {# instrument} other {# instruments}}; they are on their way: see the outbox.}}',
} as const;
addWords(DUE);
