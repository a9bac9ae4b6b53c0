'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { approveRun, sendBack } from './server/approve';
import { reviseCertificate } from './server/revise';

const reason = yup.string().trim().min(3, 'Say in a few words why.').max(500).required('Say in a few words why.');

export const approveAction = action(
  {
    name: 'approve',
    permission: 'approve',
    schema: yup.object({ runId: yup.string().uuid().required(), notice: yup.string().trim().max(8000).optional() }),
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
    schema: yup.object({ certificateId: yup.string().uuid().required(), reason }),
    audit: (input) => `${input.certificateId}: ${input.reason}`,
  },
  reviseCertificate,
);
