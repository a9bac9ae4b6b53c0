import { addWords } from '../registry';

/** The texts that mails have unless the office writes its own: places only, no choices, so that they can be edited as they stand. */
export const MAIL_TEXTS = {
  'mailText.reminder.subject': 'Calibration due: {count}',
  'mailText.reminder.body':
    '{greeting}\n\nDue for calibration: {count} of {customer}.\n\n{instruments}\n\nBring or send them in, or tell us and we keep a place on the bench.\n{booking}\n{caution}\n\n{workshop}\n\n{wayOut}',
  'mailText.bump.subject': 'Bump test due: {count}',
  'mailText.bump.body':
    '{greeting}\n\nThe bump test that you wished to be reminded of is due for {count} of {customer}.\n\n{instruments}\n\n{caution}\n\n{workshop}\n\n{wayOut}',
  'mailText.document.subject': 'Certificate {number}: {instrument}',
  'mailText.document.body':
    '{greeting}\n\ncertificate {number} for your {instrument} is attached.\n{statements}\n\n{ready}\n\n{workshop}',
  'mailText.withoutCalibration.subject': 'Back without calibration, {number}: {instrument}',
  'mailText.withoutCalibration.body':
    '{greeting}\n\nyour {instrument} goes back without a calibration. Paper {number}, attached, says why.\n\n{ready}\n\n{workshop}',
  'mailText.revised.subject': 'Revised document {number}',
  'mailText.revised.body':
    'We have revised document {number}. Reason: {reason}\n\nThe revision names what changed and replaces the document you hold; please use the newer one. Whether work or decisions rested on the earlier figures is for you to judge.\n\n{workshop}',
  'mailText.withdrawn.subject': 'Document {withdrawn} withdrawn',
  'mailText.withdrawn.body': 'We have withdrawn document {withdrawn} by {number}. Reason: {reason}\n\n{caution}\n\n{workshop}',
  'mailText.offer.subject': 'Offer {number}: {instrument}',
  'mailText.offer.body':
    'Your instrument {instrument} (ticket {ticket}):\n\n{finding}\n\n{positions}\nTotal: {total}\n\nPlease tell us whether we may go ahead; until then your instrument stays as it is.\n{answer}\n\n{workshop}',
  'mailText.asked.subject': 'We need your word, {customer}',
  'mailText.asked.body': '{greeting}\n\n{question}\n\n{answer}\n\n{workshop}',
  'mailText.windowLink.subject': 'Your way in to {house}',
  'mailText.windowLink.body':
    '{greeting}\n\nby this link you see the instruments of {customer}. It opens once, until {until}:\n\n{link}\n\nIf you didn’t ask for it, leave it be: without it nobody gets in.\n\n{workshop}',
  'mailText.greeting': 'Good day, {name},',
  'mailText.greetingNobody': 'Good day,',
  'mailText.item': '{item}, serial {serial}',
  'mailText.itemTag': '{item}, serial {serial}, your tag {tag}',
  'mailText.withdrawnCaution':
    'Please do not rely on it any longer, and do not use the instrument until it has been calibrated again.',
  'mailText.dueCaution': 'An instrument that is overdue should not be relied on until it has been calibrated.',
  'mailText.bumpCaution':
    'A gas monitor that was not bump tested should not be relied on; whoever fails the test stays out of use. Your site’s own rules come first.',
  'mailText.byWindow': 'Book a day for them at your window: {address}',
  'mailText.answerHere': 'Answer here, until {until}: {address}',
  'mailText.wayOut': 'No more reminders: {address}',
} as const;
addWords(MAIL_TEXTS);
