'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { seeReport } from './server/reports';

export const seeReportAction = action(
  {
    name: 'seeReport',
    permission: 'receive',
    schema: yup.object({ requestId: yup.string().uuid().required() }),
    audit: (input) => input.requestId,
  },
  seeReport,
);
