import { addWords } from '../registry';
import '../choices';

/** Words of letters that go out by themselves. */
export const LETTERS = {
  'letter.greeting': 'Good day, {name},',
  'letter.greetingNobody': 'Good day,',
  'letter.issuedSubject': 'Certificate {number}: {maker} {model} {serial}',
  'letter.withoutSubject': 'Back without calibration, {number}: {maker} {model} {serial}',
  'letter.issued': 'certificate {number} for your {maker} {model}, serial {serial}, is attached.',
  'letter.withoutCalibration':
    'your {maker} {model}, serial {serial}, goes back without a calibration. Paper {number}, attached, says why.',
  'letter.ready':
    '{open, plural, =0 {Everything of receipt {receipt} is ready for collection.} one {It is ready for collection; # instrument of receipt {receipt} is still worked on.} other {It is ready for collection; # instruments of receipt {receipt} are still worked on.}}',
  'reminder.subject': 'Calibration due: {count, plural, one {# instrument} other {# instruments}}',
  'reminder.hello': 'Good day, {name},',
  'reminder.helloNobody': 'Good day,',
  'reminder.what':
    '{count, plural, one {# instrument of {customer} is due for calibration} other {# instruments of {customer} are due for calibration}}:',
  'reminder.tag': ', your tag {tag}',
  'reminder.stage.ahead': 'due soon',
  'reminder.stage.at': 'due now',
  'reminder.stage.after': 'overdue',
  'reminder.serial': 'serial {serial}',
  'reminder.byMail': 'Bring or send them in, or answer this mail and we keep a place on the bench.',
  'reminder.byWindow': 'Book a day for them at your window: {address}',
  'reminder.byPost': 'Bring or send them in, or tell us and we keep a place on the bench.',
  'reminder.caution': 'An instrument that is overdue should not be relied on until it has been calibrated.',
  'unsubscribe.line': 'No more reminders: {address}',
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
