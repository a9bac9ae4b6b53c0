import * as yup from 'yup';
import { say } from '@/core/words/say';
import '@/core/words/en/bookings';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const id = () => yup.string().uuid().required();

/** What every booking says, whoever makes it. */
export const bookingFields = {
  arrivesOn: yup
    .string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, () => say({ code: 'booking.needsDay' }))
    .required(() => say({ code: 'booking.needsDay' })),
  wholeWeek: yup.boolean().default(false),
  contact: text(120).default(''),
  note: text(500).default(''),
  assetIds: yup
    .array(id())
    .min(1, () => say({ code: 'booking.needsItems' }))
    .max(200)
    .required(),
};
