'use client';
import { useRouter } from 'next/navigation';
import { say } from '@/core/words/say';
import { CustomerPicker } from '@/features/counter';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { WhyForm } from '@/ui/why-form';
import { announceAction, cancelBookingAction, changeBookingAction } from './actions';
import { BookingForm, type Bookable, type BookingDraft } from './booking-form';
import '@/core/words/en/bookings';

/** The counter books for a customer. */
export const AnnounceForm = ({
  customerId,
  instruments,
  contact,
}: {
  customerId: string;
  instruments: readonly Bookable[];
  contact: string;
}) => (
  <BookingForm
    draft={{ arrivesOn: '', wholeWeek: false, contact, note: '', assetIds: [] }}
    instruments={instruments}
    mayOver
    back="/bookings"
    send={(draft) => announceAction({ ...draft, customerId })}
  />
);

/** The counter changes one, or calls it off. */
export const ChangeForm = ({ id, draft, instruments }: { id: string; draft: BookingDraft; instruments: readonly Bookable[] }) => (
  <>
    <BookingForm
      draft={draft}
      own={id}
      instruments={instruments}
      mayOver
      back="/bookings"
      send={(given) => changeBookingAction({ ...given, id })}
    />
    <WhyForm
      testId="cancel-booking"
      title={say({ code: 'booking.cancel' })}
      label={say({ code: 'booking.why' })}
      danger
      act={async (why) => saidOfWhy(await attempt(() => cancelBookingAction({ id, why })))}
    />
  </>
);

/** For whom is booked. */
export function ForWhom() {
  const router = useRouter();
  return (
    <details className="sheet mb-3" data-testid="book-for">
      <summary>{say({ code: 'booking.new' })}</summary>
      <CustomerPicker chosen={null} onChoose={(customer) => customer && router.push(`/bookings/new?customer=${customer.id}`)} />
    </details>
  );
}
