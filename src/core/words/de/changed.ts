import { addWords } from '../registry';

/** Was am Gerät geändert wurde. */
export const CHANGED = {
  'notPlain.setting': '{setting} von {before} auf {after} geändert; vereinbart mit {agreedBy}.',
  'notPlain.channel.fitted': '{channel} ist doch bestückt: {reason}.',
  'notPlain.channel.removed': '{channel} ist nicht bestückt: {reason}.',
  'notPlain.channel.notCalibrated': '{channel} wurde bei diesem Besuch nicht kalibriert: {reason}.',
} as const;
addWords(CHANGED, 'de');
