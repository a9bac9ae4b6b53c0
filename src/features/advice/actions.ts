'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { takeAdvice } from './server/take-advice';

const whole = (most: number) => yup.number().integer().min(1).max(most);
const schema = yup.object({
  assetId: yup.string().uuid().required(),
  months: whole(1200).optional(),
  days: whole(36_500).optional(),
});

export const takeAdviceAction = action(
  { name: 'takeAdvice', permission: 'bench', schema, audit: (input) => input.assetId },
  (context, { assetId, months, days }) => takeAdvice(context, { assetId, seen: months ? { months } : { days: days ?? 1 } }),
);
