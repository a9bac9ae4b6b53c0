'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { need } from '@/platform/need';
import { dryRun } from './server/dry-run';
import { makeStationRecord } from './server/make-record';
import { takeLog } from './server/take-log';

const TWO_MEGABYTES = 2_000_000;
const text = yup.string().max(TWO_MEGABYTES, 'A log of at most 2 MB.').required('The file is empty.');

export const dryRunAction = action(
  { name: 'dryRunStationLog', permission: 'bench', schema: yup.object({ text }), audit: 'none' },
  ({ tx, actor, now }, input) => {
    need(actor, 'bench');
    return dryRun(tx, input.text, now);
  },
);
export const takeLogAction = action(
  {
    name: 'takeStationLog',
    permission: 'bench',
    schema: yup.object({
      text,
      file: yup.string().max(200).default('pasted'),
      lines: yup.array(yup.number().integer().required()).max(5000).required(),
    }),
    audit: (input) => `${input.file}: ${input.lines.length} rows`,
  },
  takeLog,
);
export const makeStationRecordAction = action(
  {
    name: 'makeStationRecord',
    permission: 'bench',
    schema: yup.object({ entryId: yup.string().uuid().required() }),
    audit: (input) => input.entryId,
  },
  makeStationRecord,
);
