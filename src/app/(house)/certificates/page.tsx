import { say } from '@/core/words/say';
import { CertificateTable } from '@/features/certificates';
import { certificateList, listCertificates } from '@/features/certificates/server';
import { Link } from '@/ui/link';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import { queryOf } from '@/ui/list/list-address';

import '@/core/words/en/register';

export const metadata = { title: 'Certificates' };
export default page({ permission: 'signedIn', name: '/certificates' }, async ({ tx, search }) => {
  const { list, asked } = certificateList(search);
  return (
    <main className="page">
      <div className="page-head">
        <h1>Certificates</h1>
        <span className="end">
          <Link className="btn btn-plain" href="/register">
            {say({ code: 'register.title' })}
          </Link>
          <ExportLinks base="/certificates/export" query={queryOf(list)} />
        </span>
      </div>
      <CertificateTable
        list={list}
        page={await listCertificates(tx, { ...asked, after: list.after })}
        zone={(await readSettings(tx)).zone}
      />
    </main>
  );
});
