'use server';
import { action } from '@/platform/action';
import { batchSchema, beginSchema, judgeSchema, rowsSchema } from './schemas';
import { judgeImport } from './server/judge-import';
import { addRows, beginImport, dropImport } from './server/keep-rows';
import { leaveImport } from './server/leave-import';
import { takeImportBack } from './server/take-import';

const permission = 'office';
const batch = (input: { batchId: string }) => input.batchId;

export const beginImportAction = action(
  { name: 'beginImport', permission, schema: beginSchema, audit: (input) => input.fileName },
  beginImport,
);
export const addRowsAction = action({ name: 'addRows', permission, schema: rowsSchema, audit: 'none' }, addRows);
export const judgeImportAction = action(
  { name: 'judgeImport', permission, schema: judgeSchema, audit: 'none' },
  (context, input) =>
    judgeImport(context, {
      ...input,
      mapping: input.mapping as Parameters<typeof judgeImport>[1]['mapping'],
      customers: input.customers as Record<string, string>,
      models: input.models as Record<string, string>,
    }),
);
export const takeImportAction = action({ name: 'takeImport', permission, schema: batchSchema, audit: batch }, leaveImport);
export const takeImportBackAction = action(
  { name: 'takeImportBack', permission, schema: batchSchema, audit: batch },
  takeImportBack,
);
export const dropImportAction = action({ name: 'dropImport', permission, schema: batchSchema, audit: batch }, dropImport);
