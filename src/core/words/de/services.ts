import { addWords } from '../registry';

/** Was gewünscht wird. */
export const SERVICES = {
  'service.calibrate': 'Kalibrieren',
  'service.asFoundOnly': 'Nur Zustand bei Eingang',
  'service.bumpOnly': 'Nur Anzeigetest',
  'service.bumpThenCalibrate': 'Anzeigetest, kalibrieren wenn nicht bestanden',
  'service.calibrateRepair': 'Kalibrieren, bei Bedarf instand setzen',
} as const;
addWords(SERVICES, 'de');
