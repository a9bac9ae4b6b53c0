'use server';
import { action } from '@/platform/action';
import { askSchema, questionSchema } from './ask-schema';
import { askByMail, withdrawQuestion } from './server/ask';

export const askByMailAction = action(
  {
    name: 'askCustomer',
    permission: 'receive',
    schema: askSchema,
    audit: ({ customerId, about, to }) => `${customerId}, ${about}: ${to}`,
  },
  askByMail,
);
export const withdrawQuestionAction = action(
  { name: 'withdrawQuestion', permission: 'receive', schema: questionSchema, audit: ({ questionId }) => questionId },
  withdrawQuestion,
);
