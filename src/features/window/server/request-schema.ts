import * as yup from 'yup';
import { say } from '@/core/words/say';
import { OUTPUTS } from '@/core/instrument/output';
import { GONE } from '@/core/record/gone';
import { bookingFields } from '@/features/bookings/server';
import '@/core/words/en/window';
import '@/core/words/en/bookings';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const id = () => yup.string().uuid().required();
const words = () => text(500).required(() => say({ code: 'window.needsWords' }));
/** What each request says. */
export const REQUESTS = {
  book: yup.object(bookingFields),
  changeBooking: yup.object({ ...bookingFields, id: id() }),
  cancelBooking: yup.object({ id: id(), why: text(300).required(() => say({ code: 'booking.needsWhy' })) }),
  bump: yup.object({
    assetId: id(),
    passed: yup.boolean().required(),
    outputs: yup.array(yup.string().oneOf(OUTPUTS).required()).max(OUTPUTS.length).default([]),
    note: text(300).default(''),
  }),
  stationLog: yup.object({
    text: yup
      .string()
      .required(() => say({ code: 'window.noLog' }))
      .max(400_000, () => say({ code: 'window.logLarge' })),
  }),
  fault: yup.object({ assetId: id(), text: words() }),
  gone: yup.object({ assetId: id(), what: yup.string().oneOf(GONE).required(), text: words() }),
} as const;
export type RequestKind = keyof typeof REQUESTS;
export const REQUEST_KINDS = Object.keys(REQUESTS) as RequestKind[];
export const sendSchema = yup.object({
  kind: yup.string().oneOf(REQUEST_KINDS).required(),
  what: yup.mixed<object>().required(),
});
export const askSchema = yup.object({
  email: text(160)
    .email(() => say({ code: 'window.noMail' }))
    .required(() => say({ code: 'window.noMail' })),
});
export const enterSchema = yup.object({ link: yup.string().max(100).required() });
