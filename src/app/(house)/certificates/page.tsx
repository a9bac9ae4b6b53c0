import { CertificateTable } from '@/features/certificates';
import { listCertificates } from '@/features/certificates/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Certificates' };
export default page({ permission: 'signedIn', name: '/certificates' }, async ({ tx, search }) => (
  <main className="page">
    <div className="page-head">
      <h1>Certificates</h1>
      <span className="quiet">Newest first.</span>
    </div>
    <CertificateTable
      list={await listCertificates(tx, search.before ? { before: search.before } : {})}
      before={search.before}
      zone={(await readSettings(tx)).zone}
    />
  </main>
));
