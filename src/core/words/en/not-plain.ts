import { addWords } from '../registry';

/** What of a run is not plain, why, and what followed. */
export const NOT_PLAIN = {
  'followed.mend': 'Put right and looked at again: {note}',
  'followed.remark': 'Stands with a remark: {note}',
  'followed.service': 'To service',
  'followed.outOfService': 'Out of service',
  'followed.return': 'Returned uncalibrated',
  'followed.calibrate': 'Calibrated on the same ticket',
  'followed.open': 'Not decided yet',
  'notPlain.title': 'Look at this first',
  'notPlain.none': 'Everything went as the procedure has it.',
  'notPlain.finding': '{what}: {answer}{note}. {follow}.',
  'notPlain.leftOut': 'Not looked at: {title}.',
  'notPlain.late': 'Entries told late: {count}, at most {minutes} min after what they tell of.',
  'notPlain.lost': 'A save was lost (read back: {readBack}).',
  'notPlain.readBack': 'Read back after saving: {readBack}.',
  'reason.bad': '{what}: {answer}{note}',
  'reason.givenUp': '{channel} failed two tries',
  'reason.found': '{channel} outside as found ({point})',
  'reason.left': '{channel} outside as left ({point})',
  'reason.question.notSaved': 'It does not keep its calibration',
  'reason.question.blank': 'Three air blanks that were not zero',
  'reason.question.other': 'Given up on the bench',
} as const;
addWords(NOT_PLAIN);
