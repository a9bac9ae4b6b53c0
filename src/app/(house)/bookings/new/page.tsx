import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { AnnounceForm } from '@/features/bookings';
import { bookable } from '@/features/bookings/server';
import { customerById } from '@/features/customers/server';
import { page } from '@/platform/page';
import '@/core/words/en/bookings';

export const metadata = { title: 'Book instruments' };
export default page({ permission: 'receive', name: '/bookings/new' }, async ({ tx, search }) => {
  const customer = await customerById(tx, search.customer ?? '');
  if (!customer) notFound();
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{say({ code: 'booking.newFor', numbers: { customer: customer.name } })}</h1>
      </div>
      <AnnounceForm customerId={customer.id} contact={customer.contact} instruments={await bookable(tx, customer.id)} />
    </main>
  );
});
