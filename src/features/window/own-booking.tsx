'use client';
import { useRouter } from 'next/navigation';
import { say } from '@/core/words/say';
import { BookingForm, type Bookable, type BookingDraft } from '@/features/bookings';
import { WhyForm } from '@/ui/why-form';
import { sendToHouse } from './send';
import '@/core/words/en/bookings';

/** A booking by the customer: a new one, or another day for one that stands. */
export function OwnBooking({ draft, own, instruments }: { draft: BookingDraft; own?: string; instruments: readonly Bookable[] }) {
  const router = useRouter();
  return (
    <>
      <BookingForm
        draft={draft}
        {...(own ? { own } : {})}
        instruments={instruments}
        back="/window/bookings"
        send={({ over: _over, ...given }) => sendToHouse(own ? 'changeBooking' : 'book', own ? { ...given, id: own } : given)}
      />
      {own && (
        <WhyForm
          testId="cancel-own"
          title={say({ code: 'booking.cancel' })}
          label={say({ code: 'booking.why' })}
          danger
          act={async (why) => {
            const result = await sendToHouse('cancelBooking', { id: own, why });
            if (result.ok) router.push('/window/bookings');
            return result.ok ? '' : result.message;
          }}
        />
      )}
    </>
  );
}
