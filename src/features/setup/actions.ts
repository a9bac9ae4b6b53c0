'use server';
import { action } from '@/platform/action';
import { writeMailServer } from '@/platform/mail-server';
import { need } from '@/platform/need';
import { mailServerSchema, setUpSchema, tryMailSchema } from './schemas';
import { setUp } from './server/set-up';
import { tryMail } from './server/try-mail';

// Public: nobody can sign in yet. It asks for the key that the house wrote, and works once.
export const setUpAction = action({ name: 'setUp', permission: 'public', schema: setUpSchema, audit: 'none' }, setUp);
export const saveMailServerAction = action(
  { name: 'saveMailServer', permission: 'office', schema: mailServerSchema, audit: (input) => `${input.host}:${input.port}` },
  ({ tx, actor }, input) => {
    need(actor, 'office');
    return writeMailServer(tx, input);
  },
);
// The mail server is asked while somebody waits: no transaction is held meanwhile.
export const tryMailAction = action(
  { name: 'tryMail', permission: 'office', schema: tryMailSchema, audit: 'none', transaction: false },
  tryMail,
);
