'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { need } from '@/platform/need';
import { assetSchema, receiptSchema } from './receive-schema';
import { receiptCancelSchema, receiptChangeSchema, receiptSplitSchema } from './receipt-schema';
import { ticketChangeSchema, ticketEndSchema } from './ticket-schema';
import { cancelReceipt, correctReceipt, splitReceipt } from './server/change-receipt';
import { cancelTicket, changeTicket, handBackUncalibrated } from './server/end-ticket';
import { findAnything } from './server/find-anything';
import { findAssets, findCustomers, findDue, scanTarget } from './server/find';
import { createAsset, declareClean, receive, returnTicket } from './server/receive';

const textSchema = yup.object({ text: yup.string().trim().max(80).default(''), customerId: yup.string().uuid().optional() });

export const findCustomersAction = action(
  { name: 'findCustomers', permission: 'receive', schema: textSchema, audit: 'none' },
  ({ tx, actor }, input) => {
    need(actor, 'receive');
    return findCustomers(tx, input.text);
  },
);
export const findAssetsAction = action(
  { name: 'findAssets', permission: 'receive', schema: textSchema, audit: 'none' },
  ({ tx, actor }, input) => {
    need(actor, 'receive');
    return findAssets(tx, input.text, input.customerId);
  },
);
export const findDueAction = action(
  {
    name: 'findDue',
    permission: 'receive',
    schema: yup.object({
      customerId: yup.string().uuid().required(),
      until: yup
        .string()
        .matches(/^\d{4}-\d{2}-\d{2}$/, 'A day.')
        .required('A day.'),
    }),
    audit: 'none',
  },
  ({ tx, actor }, input) => {
    need(actor, 'receive');
    return findDue(tx, input);
  },
);
export const createAssetAction = action(
  { name: 'createAsset', permission: 'receive', schema: assetSchema, audit: (input) => input.serial },
  createAsset,
);
export const receiveAction = action(
  { name: 'receive', permission: 'receive', schema: receiptSchema, audit: (input) => `${input.instruments.length} instruments` },
  receive,
);
export const declareCleanAction = action(
  {
    name: 'declareClean',
    permission: 'receive',
    schema: yup.object({
      ticketId: yup.string().uuid().required(),
      note: yup.string().trim().min(3, 'Say what came.').max(200).required('Say what came.'),
    }),
    audit: (input) => `${input.ticketId}: ${input.note}`,
  },
  declareClean,
);
export const returnTicketAction = action(
  {
    name: 'returnTicket',
    permission: 'receive',
    schema: yup.object({ ticketId: yup.string().uuid().required() }),
    audit: (input) => input.ticketId,
  },
  returnTicket,
);
export const scanAction = action({ name: 'scan', permission: 'signedIn', schema: textSchema, audit: 'none' }, ({ tx }, input) =>
  scanTarget(tx, input.text),
);

export const findAnythingAction = action(
  { name: 'findAnything', permission: 'signedIn', schema: textSchema, audit: 'none' },
  findAnything,
);

export const changeTicketAction = action(
  { name: 'changeTicket', permission: 'receive', schema: ticketChangeSchema, audit: 'none' },
  changeTicket,
);
export const cancelTicketAction = action(
  { name: 'cancelTicket', permission: 'receive', schema: ticketEndSchema, audit: 'none' },
  cancelTicket,
);
export const handBackUncalibratedAction = action(
  { name: 'handBackUncalibrated', permission: 'receive', schema: ticketEndSchema, audit: 'none' },
  handBackUncalibrated,
);

export const correctReceiptAction = action(
  { name: 'correctReceipt', permission: 'receive', schema: receiptChangeSchema, audit: 'none' },
  correctReceipt,
);
export const splitReceiptAction = action(
  { name: 'splitReceipt', permission: 'receive', schema: receiptSplitSchema, audit: 'none' },
  splitReceipt,
);
export const cancelReceiptAction = action(
  { name: 'cancelReceipt', permission: 'receive', schema: receiptCancelSchema, audit: 'none' },
  cancelReceipt,
);
