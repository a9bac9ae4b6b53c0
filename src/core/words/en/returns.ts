import { addWords } from '../registry';

/** Words of mails that come back. */
export const RETURNS = {
  'returns.problem': 'It came back ({status}): {said}',
  'returns.saidNothing': 'the server gave no reason',
  'returns.title': 'Mails that come back',
  'returns.why':
    'Where a server on the way finds later that a mail can’t be delivered, it tells this address. The house reads the mailbox every ten minutes and lays what came back before the counter. Use an address that nothing else comes to.',
  'returns.fromEnvironment': 'The house’s environment says which (RETURNS_URL): {address}. What is kept here goes before it.',
  'returns.address': 'Address',
  'returns.addressNeeded': 'The address that mails come back to.',
  'returns.host': 'Mail server to read at (IMAP)',
  'returns.tls': 'TLS from the start (993)',
  'returns.starttls': 'STARTTLS, refused without (143)',
  'returns.none': 'none (this computer only)',
  'returns.try': 'Look into it',
  'returns.looked': 'It opens.',
  'returns.refused': 'It could not be opened: {said}',
  'returns.drop': 'Read none',
} as const;
addWords(RETURNS);
