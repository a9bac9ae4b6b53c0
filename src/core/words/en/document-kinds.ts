import { addWords } from '../registry';

/** Kinds of documents, as lists name them. */
export const DOCUMENT_KINDS = {
  'kind.record': 'record',
  'kind.certificate': 'calibration certificate',
  'kind.calibration': 'calibration certificate',
  'kind.asFound': 'results as found',
  'kind.zeroAdjustment': 'zero adjustment',
  'kind.accuracyCheck': 'accuracy check',
  'kind.bump': 'bump test',
  'kind.limited': 'limited scope',
  'kind.imported': 'imported results',
  'kind.notCalibrated': 'returned uncalibrated',
  'kind.withdrawal': 'withdrawal',
} as const;
addWords(DOCUMENT_KINDS);
