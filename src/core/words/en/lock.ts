import { addWords } from '../registry';

/** Words of the locked screen. */
export const LOCK = {
  'lock.title': 'Locked',
  'lock.now': 'Lock the screen',
  'lock.who': 'Who goes on',
  'lock.pin': 'PIN or password',
  'lock.badge': 'or scan a badge here',
  'lock.open': 'Go on',
  'lock.passkey': 'Passkey',
  'lock.hint': 'Clocks and gas go on, and what was typed is still there.',
  'lock.door': 'Sign in anew',
  'lock.wentOn': '{name} goes on.',
  'lock.notToday': 'Who unlocks a screen signed in at this computer that day. Sign in instead.',
  'lock.wrong.pin': 'This PIN is not right.',
  'lock.wrong.password': 'This is not the password.',
  'lock.wrong.badge': 'No such badge.',
  'lock.out': 'Too many wrong ones: this screen asks for the password now.',
  'lock.bench': 'On the bench',
  'lock.quiet': 'Nothing runs on the bench.',
  'lock.gasOff': 'Gas off',
  'lock.gasOpen': 'GAS IS OPEN',
  'lock.place': 'Place {place}',
} as const;
addWords(LOCK);
