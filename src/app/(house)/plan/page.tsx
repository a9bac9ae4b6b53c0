import { say } from '@/core/words/say';
import { LateTable, PlanView } from '@/features/plan';
import { lateTickets, workPlan } from '@/features/plan/server';
import { page } from '@/platform/page';
import { PrintButton } from '@/ui/print-button';
import '@/core/words/en/plan';

export const metadata = { title: 'Plan of the day' };
export default page({ permission: 'signedIn', name: '/plan' }, async ({ tx, now }) => (
  <main className="page">
    <div className="page-head">
      <h1>{say({ code: 'plan.title' })}</h1>
      <span className="end no-print">
        <PrintButton>{say({ code: 'plan.print' })}</PrintButton>
      </span>
    </div>
    <p className="quiet no-print">{say({ code: 'plan.how' })}</p>
    <PlanView plan={await workPlan(tx, now)} />
    <LateTable tickets={await lateTickets(tx, now)} />
  </main>
));
