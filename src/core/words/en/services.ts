import { addWords } from '../registry';

/** What a customer asks for. */
export const SERVICES = {
  'service.calibrate': 'Calibrate',
  'service.asFoundOnly': 'As found only',
  'service.bumpOnly': 'Bump only',
  'service.bumpThenCalibrate': 'Bump, calibrate if it fails',
  'service.calibrateRepair': 'Calibrate, repair if needed',
} as const;
addWords(SERVICES);
