import { addWords } from '../registry';
import '../choices';

/** Words of letters that go out by themselves. */
export const LETTERS = {
  'letter.instruments': '{count, plural, one {# instrument} other {# instruments}}',
  'letter.ready':
    '{open, plural, =0 {Everything of receipt {receipt} is ready for collection.} one {It is ready for collection; # instrument of receipt {receipt} is still worked on.} other {It is ready for collection; # instruments of receipt {receipt} are still worked on.}}',
  'reminder.stage.ahead': 'due soon',
  'reminder.stage.at': 'due now',
  'reminder.stage.after': 'overdue',
  'unsubscribe.title': 'Reminders',
  'unsubscribe.wants': 'Reminders of calibrations go to {name}.',
  'unsubscribe.press': 'No more reminders',
  'unsubscribe.done': '{name} gets no more reminders of calibrations. What is due stays due. To have them again, ask {workshop}.',
  'unsubscribe.unknown': 'This link is not known. Ask the workshop that sent the mail.',
  'letter.mailed': 'Mailed',
  'letter.state':
    '{state, select, queued {waiting to go out} sending {on its way} sent {sent} refused {refused} other {not known whether it arrived}}',
} as const;
addWords(LETTERS);
