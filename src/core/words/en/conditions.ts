import { addWords } from '../registry';

/** When a step of a procedure is asked for. */
export const CONDITIONS = {
  'when.not': 'not ({what})',
  'when.and': ' and ',
  'when.or': ' or ',
  'when.readingOutside': 'a reading {phase} is outside',
  'when.adjustPassed': 'an adjustment passed',
  'when.adjustFailed': 'the last adjustment failed',
  'when.anythingAdjusted': 'something was adjusted',
  'when.saved': 'it was saved',
  'when.saveLost': 'what was saved was lost',
  'when.stimulusOn': '“{slot}” is open or dipped into',
  'when.iterationAtLeast': 'in round {count} and later',
  'when.answered': '“{step}/{item}” was answered “{equals}”',
  'when.decided': '“{question}” was decided “{option}”',
  'when.property': 'the model is “{property}”',
  'when.bumpFailed': 'the bump failed',
  'when.bumpStands': 'a bump stands',
  'when.tripsAlarms': 'the gas trips every alarm',
  'when.leftMissing': 'nothing was read as left at {points}',
  'when.electrodeKnown': 'slope and offset were told before',
  'when.anyAdjustFailed': 'an adjustment of any channel failed',
  'when.zeroFailed': 'the last zero failed',
  'when.anyZeroFailed': 'a zero of any channel failed',
  'when.adjustFailedHere': 'an adjustment failed in this round',
  'when.electrodePoor': 'the electrode of “{role}” is poor',
  'when.implausible': 'a reading was not believed',
  'when.gateShut': '“{point}” is not what opens it',
  'when.school': 'this house does “{option}” ({school})',
  'when.channel': '“{role}” is fitted',
} as const;
addWords(CONDITIONS);
