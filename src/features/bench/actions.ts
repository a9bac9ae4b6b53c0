'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { writeModelKey } from './server/model-keys';
import { placeTicket } from './server/place-ticket';
import { startRun } from './server/start-run';

const placeSchema = yup.object({ ticketId: yup.string().uuid().required(), place: yup.number().integer().nullable().defined() });

export const placeTicketAction = action(
  {
    name: 'placeTicket',
    permission: 'bench',
    schema: placeSchema,
    audit: (input) => `${input.ticketId} → ${input.place ?? 'in-tray'}`,
  },
  placeTicket,
);
export const startRunAction = action(
  {
    name: 'startRun',
    permission: 'bench',
    schema: yup.object({ ticketId: yup.string().uuid().required() }),
    audit: (input) => input.ticketId,
  },
  startRun,
);

export const writeModelKeyAction = action(
  {
    name: 'writeModelKey',
    permission: 'bench',
    schema: yup.object({
      modelId: yup.string().uuid().required(),
      procedureId: yup.string().max(80).required(),
      step: yup.string().max(200).required(),
      after: yup.number().integer().min(0).required(),
      text: yup.string().trim().max(400, 'At most 400 characters.').default(''),
      secret: yup.string().trim().max(80, 'At most 80 characters.').default(''),
    }),
    audit: 'none',
  },
  writeModelKey,
);
