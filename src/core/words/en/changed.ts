import { addWords } from '../registry';

/** What was set otherwise during a run: a setting, a channel. */
export const CHANGED = {
  'notPlain.setting': '{setting} changed from {before} to {after}; agreed by {agreedBy}.',
  'notPlain.channel.fitted': '{channel} is fitted after all: {reason}.',
  'notPlain.channel.removed': '{channel} is not fitted: {reason}.',
  'notPlain.channel.notCalibrated': '{channel} was not calibrated at this visit: {reason}.',
} as const;
addWords(CHANGED);
