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
  'tag.notUse': 'Do not use. Do not rely on any reading or alarm of it.',
  'tag.instrument': 'Instrument',
  'tag.customer': 'Customer',
  'tag.why': 'Why',
  'tag.tagged': 'Tagged',
  'tag.off': 'Only who has repaired and calibrated it takes this tag off.',
  'onLabel.due': 'Due {on}',
} as const;
addWords(LABELS);
