'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { approveRun, sendBack } from './server/approve';
import { reopenCertificate, reviseCertificate } from './server/revise';
import { withdrawCertificate } from './server/withdraw';

const password = yup.string().max(200).required('Type your password: it is your signature.');
const reason = yup.string().trim().min(3, 'Say in a few words why.').max(500).required('Say in a few words why.');

export const approveAction = action(
  {
    name: 'approve',
    permission: 'approve',
    signs: 'approve',
    schema: yup.object({
      runId: yup.string().uuid().required(),
      password,
      notice: yup.string().trim().max(8000).optional(),
      annexes: yup.object({ budgets: yup.boolean().optional(), traces: yup.boolean().optional() }).optional().default(undefined),
    }),
    audit: (input) => `${input.runId}${input.notice ? ', with a notice to the customer' : ''}`,
  },
  approveRun,
);
export const sendBackAction = action(
  {
    name: 'sendBack',
    permission: 'approve',
    schema: yup.object({ runId: yup.string().uuid().required(), note: reason }),
    audit: (input) => `${input.runId}: ${input.note}`,
  },
  sendBack,
);
export const reviseAction = action(
  {
    name: 'revise',
    permission: 'approve',
    signs: 'revise',
    schema: yup.object({ certificateId: yup.string().uuid().required(), reason, password }),
    audit: (input) => `${input.certificateId}: ${input.reason}`,
  },
  reviseCertificate,
);
export const reopenAction = action(
  {
    name: 'reopen',
    permission: 'approve',
    schema: yup.object({ certificateId: yup.string().uuid().required(), reason }),
    audit: (input) => `${input.certificateId}: ${input.reason}`,
  },
  reopenCertificate,
);
export const withdrawAction = action(
  {
    name: 'withdraw',
    permission: 'approve',
    signs: 'withdraw',
    schema: yup.object({ certificateId: yup.string().uuid().required(), reason, password }),
    audit: (input) => `${input.certificateId}: ${input.reason}`,
  },
  withdrawCertificate,
);
