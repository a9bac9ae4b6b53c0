import { format, parseISO, subYears } from 'date-fns';
import { say } from '@/core/words/say';
import { CountsChart, EnterForm, RegisterTable } from '@/features/register';
import { listRegister, registerAddress, registerCounts } from '@/features/register/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import { queryOf } from '@/ui/list/list-address';
import '@/core/words/en/register';

/** Years that the chart looks back. */
const YEARS = 2;

export const metadata = { title: 'Nonconforming work' };
export default page({ permission: 'signedIn', name: '/register' }, async ({ tx, actor, now, search }) => {
  const { list, asked } = registerAddress(search);
  const today = dateIn((await readSettings(tx)).zone, now);
  const counts = await registerCounts(tx, format(subYears(parseISO(today), YEARS), 'yyyy-MM-dd'));
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'register.title' })}</h1>
        <span className="end">
          <ExportLinks base="/register/export" query={queryOf(list)} />
        </span>
      </div>
      <p className="quiet">{say({ code: 'register.how' })}</p>
      {may(actor.role, 'receive') && <EnterForm />}
      <RegisterTable list={list} page={await listRegister(tx, { ...asked, after: list.after })} today={today} />
      {counts.length > 0 && (
        <section className="sheet mt-3" data-testid="register-counts">
          <h2>{say({ code: 'register.counts' })}</h2>
          <p className="quiet small">{say({ code: 'register.countsHow' })}</p>
          <CountsChart counts={counts} />
        </section>
      )}
    </main>
  );
});
