import { ReceiveForm } from '@/features/counter';
import { bookingById } from '@/features/bookings/server';
import { promisedSoFar } from '@/features/plan/server';
import { assetsOf, listModels, receiptOf } from '@/features/counter/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { Link } from '@/ui/link';
import { say } from '@/core/words/say';
import '@/core/words/en/money';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Receive' };
export default page({ permission: 'receive', name: '/receive' }, async ({ tx, now, search }) => {
  const [models, { zone }] = [await listModels(tx), await readSettings(tx)];
  const found = search.receipt ? await receiptOf(tx, search.receipt) : null;
  const onto = found && {
    receiptId: found.receipt.id,
    number: found.receipt.number,
    customer: { id: found.customer.id, name: found.customer.name, agreesDue: found.customer.agreesDue },
  };
  const booking = await bookingById(tx, search.booking);
  const announced = booking?.state === 'announced' ? booking : null;
  const assets = announced
    ? await assetsOf(
        tx,
        announced.items.map((one) => one.assetId),
      )
    : [];
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>Receive</h1>
        <span className="quiet">One receipt for one customer, a ticket for each instrument.</span>
        <Link className="end btn btn-plain" href="/work">
          {say({ code: 'work.title' })}
        </Link>
      </div>
      <ReceiveForm
        models={models}
        today={dateIn(zone, now)}
        promised={await promisedSoFar(tx, now)}
        serial={(search.serial ?? '').slice(0, 40)}
        onto={onto ?? undefined}
        booked={
          announced
            ? {
                bookingId: announced.id,
                customer: { id: announced.customerId, name: announced.customer },
                contact: announced.contact,
                assets: assets.filter((one) => !one.openTicket),
              }
            : undefined
        }
      />
    </main>
  );
});
