import { addWords } from '../registry';

/** What is printed on a label that goes with an instrument. */
export const LABELS = {
  'onLabel.calibration': 'Calibrated {on}',
  'onLabel.limited': 'Limited record {on}',
  'onLabel.limitedNote': 'Not a full calibration: see the document.',
  'onLabel.bump': 'Bump passed {on}',
  'onLabel.tag.outOfService': 'OUT OF SERVICE',
  'onLabel.tag.service': 'TO SERVICE: not for use',
  'onLabel.tag.outside': 'OUTSIDE ITS LIMITS: not for use',
  'onLabel.tag.returned': 'NOT CALIBRATED',
  'onLabel.due': 'Due {on}',
} as const;
addWords(LABELS);
