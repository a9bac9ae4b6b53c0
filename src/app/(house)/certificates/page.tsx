import { CertificateTable } from '@/features/certificates';
import { listCertificates } from '@/features/certificates/server';
import { ExportLinks } from '@/ui/export-links';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Certificates' };
export default page({ permission: 'signedIn', name: '/certificates' }, async ({ tx, search }) => (
  <main className="page">
    <div className="page-head">
      <h1>Certificates</h1>
      <span className="quiet">Newest first.</span>
      <span className="end">
        <ExportLinks base="/certificates/export" query={{ q: search.q }} />
      </span>
    </div>
    <CertificateTable
      list={await listCertificates(tx, { before: search.before, q: search.q })}
      before={search.before}
      q={search.q}
      zone={(await readSettings(tx)).zone}
    />
  </main>
));
