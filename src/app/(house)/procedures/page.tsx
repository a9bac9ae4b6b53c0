import { ProcedureTable, TakeProcedureForm } from '@/features/procedures';
import { listProcedures } from '@/features/procedures/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import '@/core/words/en/procedures';

export const metadata = { title: 'Procedures' };
export default page({ permission: 'signedIn', name: '/procedures' }, async ({ tx, actor }) => (
  <main className="page page-narrow">
    <div className="page-head">
      <h1>{say({ code: 'procedures.title' })}</h1>
      <span className="quiet">{say({ code: 'procedures.what' })}</span>
      {may(actor.role, 'bench') && <TakeProcedureForm />}
    </div>
    <ProcedureTable procedures={await listProcedures(tx)} />
  </main>
));
