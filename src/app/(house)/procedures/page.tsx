import { ProcedureTable } from '@/features/procedures';
import { listProcedures } from '@/features/procedures/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import '@/core/words/en/procedures';

export const metadata = { title: 'Procedures' };
export default page({ permission: 'signedIn', name: '/procedures' }, async ({ tx }) => (
  <main className="page page-narrow">
    <div className="page-head">
      <h1>{say({ code: 'procedures.title' })}</h1>
      <span className="quiet">{say({ code: 'procedures.what' })}</span>
    </div>
    <ProcedureTable procedures={await listProcedures(tx)} />
  </main>
));
