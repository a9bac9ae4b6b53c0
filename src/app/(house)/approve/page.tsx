import { WaitingTable } from '@/features/certificates';
import { waitingForApproval } from '@/features/certificates/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Approve' };
export default page({ permission: 'approve', name: '/approve' }, async ({ tx }) => (
  <main className="page">
    <div className="page-head">
      <h1>Approve</h1>
      <span className="quiet">Finished runs, oldest first.</span>
    </div>
    <WaitingTable rows={await waitingForApproval(tx)} zone={(await readSettings(tx)).zone} />
  </main>
));
