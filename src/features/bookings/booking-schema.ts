import * as yup from 'yup';
import { say } from '@/core/words/say';
import { bookingFields } from './booking-fields';
import '@/core/words/en/bookings';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const id = () => yup.string().uuid().required();

export const announceSchema = yup.object({ ...bookingFields, customerId: id(), over: yup.boolean().default(false) });
export const changeSchema = yup.object({ ...bookingFields, id: id(), over: yup.boolean().default(false) });
export const cancelSchema = yup.object({
  id: id(),
  why: text(300).required(() => say({ code: 'booking.needsWhy' })),
});
