'use server';
import { action } from '@/platform/action';
import { announceSchema, cancelSchema, changeSchema } from './booking-schema';
import { announce, cancelBooking, changeBooking } from './server/keep-booking';

export const announceAction = action(
  {
    name: 'announce',
    permission: 'receive',
    schema: announceSchema,
    audit: (input) => `${input.customerId}: ${input.arrivesOn}, ${input.assetIds.length}`,
  },
  announce,
);
export const changeBookingAction = action(
  { name: 'changeBooking', permission: 'receive', schema: changeSchema, audit: (input) => `${input.id}: ${input.arrivesOn}` },
  changeBooking,
);
export const cancelBookingAction = action(
  { name: 'cancelBooking', permission: 'receive', schema: cancelSchema, audit: (input) => `${input.id}: ${input.why}` },
  cancelBooking,
);
