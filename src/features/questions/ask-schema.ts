import * as yup from 'yup';
import { ASKED_BY_HAND } from '@/core/stored/question';
import { say } from '@/core/words/say';
import '@/core/words/en/questions';

export const askSchema = yup.object({
  customerId: yup.string().uuid().required(),
  about: yup.string().oneOf(ASKED_BY_HAND).required(),
  subjectId: yup.string().uuid().optional(),
  asked: yup
    .string()
    .trim()
    .required(say({ code: 'question.askedNeeded' }))
    .min(10, say({ code: 'question.askedNeeded' }))
    .max(2000),
  to: yup
    .string()
    .trim()
    .required(say({ code: 'question.toNeeded' }))
    .email(say({ code: 'question.toNeeded' }))
    .max(160),
});
export type AskInput = yup.InferType<typeof askSchema>;
export const questionSchema = yup.object({ questionId: yup.string().uuid().required() });
/** What a link's form sends. */
export const givenAnswerSchema = yup.object({
  answer: yup
    .string()
    .oneOf(['yes', 'no'] as const)
    .required(),
  name: yup.string().trim().required().min(2).max(120),
  remark: yup.string().trim().max(2000).default(''),
});
