'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { writeMailServer } from '@/platform/mail-server';
import { need } from '@/platform/need';
import { dropReturnsMailbox, writeReturnsMailbox } from '@/platform/returns-mailbox';
import { mailServerSchema, returnsSchema, setUpSchema, tryMailSchema } from './schemas';
import { setUp } from './server/set-up';
import { tryMail } from './server/try-mail';
import { tryReturns } from './server/try-returns';

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
export const saveReturnsAction = action(
  { name: 'saveReturns', permission: 'office', schema: returnsSchema, audit: (input) => `${input.address}, ${input.host}` },
  ({ tx, actor }, input) => {
    need(actor, 'office');
    return writeReturnsMailbox(tx, input);
  },
);
export const dropReturnsAction = action(
  { name: 'dropReturns', permission: 'office', schema: yup.object({}), audit: () => '' },
  ({ tx, actor }) => {
    need(actor, 'office');
    return dropReturnsMailbox(tx);
  },
);
// The mailbox is opened while somebody waits: no transaction is held meanwhile.
export const tryReturnsAction = action(
  { name: 'tryReturns', permission: 'office', schema: returnsSchema, audit: 'none', transaction: false },
  tryReturns,
);
