'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
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
