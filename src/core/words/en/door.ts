import { addWords } from '../registry';

/** Words of the door. */
export const DOOR = {
  'door.signedOut': 'You are signed out. Sign in again in another window; what you typed stays here.',
  'door.locked': 'This screen is locked: say who goes on. What you typed stays here.',
  'door.secondFactor': 'The workshop asks a second factor of your role: set it up on your own page first.',
  'door.notAllowed': 'A {role} can’t do this.',
  'door.ownPassword': 'Your password is one that somebody else gave you: set one of your own first, on your own page.',
  'door.forgotten': 'Forgotten your password?',
  'door.title': 'Sign in',
  'door.mail': 'Mail address',
  'door.password': 'Password',
  'door.in': 'Sign in',
  'door.moment': 'One moment …',
  'door.accounts': 'Accounts are made by the workshop’s administrator.',
  'door.code': 'Code of your authenticator, or a recovery code',
  'door.codeWhy': 'Your password was right. Type the six digits that your authenticator shows now.',
  'door.again': 'Somebody else',
  'door.passkey': 'Sign in with a passkey',
} as const;
addWords(DOOR);
