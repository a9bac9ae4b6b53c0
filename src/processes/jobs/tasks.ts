import type { TaskList } from 'graphile-worker';
import * as yup from 'yup';
import { database } from '@/data/connection';
import { drawAndKeep, drawJob, keptPdf } from '@/features/certificates/server';
import { emptyOutbox, readReturns, remindToday } from '@/features/due/server';
import { walkDraft } from '@/features/procedures/server';
import { takeLeftImport } from '@/features/imports/server';
import { judgeSuspicion } from '@/features/recall/server';
import { doAnswer } from '@/features/questions/server';
import { drawBlankSheet, sheetJob } from '@/features/paper/server';
import { doWindowRequest, sendWindowLinks } from '@/features/window/server';
import { systemClock } from '@/platform/clock';
import { tellDone } from '@/platform/jobs';
import { backup } from './backup';
import { nightly } from './nightly';

const id = yup.string().uuid().required();
const drawSchema = yup.object({ certificateId: id });
const walkSchema = yup.object({ procedureId: yup.string().max(60).required() });
const linkSchema = yup.object({ email: yup.string().max(160).required() });
const requestSchema = yup.object({ requestId: id });
const questionSchema = yup.object({ questionId: id });
const suspicionSchema = yup.object({ suspicionId: id });
const importSchema = yup.object({ batchId: id, by: yup.string().max(80).required() });
const sheetSchema = yup.object({ sheetId: id, modelId: id, assetId: yup.string().uuid().optional().default(undefined) });
const now = () => systemClock().now();

/** The paper of a mail, drawn now where it was not yet. */
async function attach(certificateId: string) {
  await drawAndKeep(database(), certificateId, now());
  const { bytes, name } = await keptPdf(database(), certificateId);
  return { filename: name, content: bytes! };
}

/** What the jobs process can do. Each is a thin shell around a use case; what it is told is validated as everything else that is read. */
export const TASKS: TaskList = {
  mail: async (_payload, { abortSignal }) => {
    await emptyOutbox(database(), { clock: now, signal: abortSignal, attach });
  },
  drawDocument: async (payload) => {
    const { certificateId } = await drawSchema.validate(payload);
    await drawAndKeep(database(), certificateId, now());
    await tellDone(database(), drawJob(certificateId).key);
  },
  drawSheet: async (payload) => {
    const { assetId, ...rest } = await sheetSchema.validate(payload);
    await drawBlankSheet(database(), { ...rest, ...(assetId ? { assetId } : {}) }, now());
    await tellDone(database(), sheetJob(rest.sheetId));
  },
  walkProcedure: async (payload) => {
    const { procedureId } = await walkSchema.validate(payload);
    await walkDraft(database(), procedureId, now());
  },
  windowLink: async (payload) => {
    await sendWindowLinks(database(), (await linkSchema.validate(payload)).email, now());
  },
  windowRequest: async (payload) => {
    await doWindowRequest(database(), (await requestSchema.validate(payload)).requestId, now());
  },
  customerAnswer: async (payload) => {
    await doAnswer(database(), (await questionSchema.validate(payload)).questionId, now());
  },
  judgeAnew: async (payload, { abortSignal }) => {
    const { suspicionId } = await suspicionSchema.validate(payload);
    await judgeSuspicion(database(), suspicionId, now(), { signal: abortSignal });
  },
  takeImport: async (payload) => {
    await takeLeftImport(database(), await importSchema.validate(payload), now());
  },
  returns: async () => {
    await readReturns(database(), now());
  },
  reminders: async () => {
    await remindToday(database(), now());
  },
  nightly: () => nightly(),
  backup: () => backup(),
};
