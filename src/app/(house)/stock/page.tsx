import { addDays, format, parseISO } from 'date-fns';
import { say } from '@/core/words/say';
import { ticketSlip } from '@/features/counter/server';
import { LendForm, LoanTable, SpareTable } from '@/features/stock';
import { listLoans, listSpares } from '@/features/stock/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/stock';

/** How long a loan usually is, days. */
const USUAL_DAYS = 14;

export const metadata = { title: 'Spares and loans' };
export default page({ permission: 'signedIn', name: '/stock' }, async ({ tx, actor, now, search }) => {
  const today = dateIn((await readSettings(tx)).zone, now);
  const [loans, spares] = [await listLoans(tx), await listSpares(tx, { ended: true })];
  const mayKeep = may(actor.role, 'receive');
  const slip = search.ticket ? await ticketSlip(tx, search.ticket) : null;
  const to = slip ? { customerId: slip.customer.id, name: slip.customer.name, ticketId: slip.ticket.id } : undefined;
  const free = loans.filter((one) => !one.out);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'stock.title' })}</h1>
        <span className="quiet">{say({ code: 'stock.what' })}</span>
      </div>
      <section className="sheet mb-3" data-testid="loan-table">
        <h2>{say({ code: 'loan.title' })}</h2>
        <LoanTable loans={loans} today={today} />
      </section>
      {mayKeep && free.length > 0 && (
        <LendForm
          instruments={free.map((one) => ({ id: one.assetId, name: `${one.maker} ${one.model} ${one.serial}` }))}
          to={to}
          until={format(addDays(parseISO(today), USUAL_DAYS), 'yyyy-MM-dd')}
        />
      )}
      <SpareTable spares={spares} today={today} mayKeep={mayKeep} />
    </main>
  );
});
