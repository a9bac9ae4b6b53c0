import { DOCUMENT_KINDS } from '@/core/certificate/version-2';
import { CertificateTable } from '@/features/certificates';
import { CERTIFICATE_SORTS, listCertificates, type CertificateSort } from '@/features/certificates/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import { readList } from '@/ui/list/list-address';

export const metadata = { title: 'Certificates' };
export default page({ permission: 'signedIn', name: '/certificates' }, async ({ tx, search }) => {
  const list = readList('/certificates', search, {
    sorts: CERTIFICATE_SORTS,
    filters: { kind: DOCUMENT_KINDS, found: ['outside'] },
    down: true,
  });
  const { q, after, down } = list;
  const kind = DOCUMENT_KINDS.find((one) => one === list.filters.kind);
  return (
    <main className="page">
      <div className="page-head">
        <h1>Certificates</h1>
        <span className="end">
          <ExportLinks base="/certificates/export" query={{ q }} />
        </span>
      </div>
      <CertificateTable
        list={list}
        page={await listCertificates(tx, {
          q,
          after,
          down,
          kind,
          sort: list.sort as CertificateSort,
          outside: list.filters.found === 'outside',
        })}
        zone={(await readSettings(tx)).zone}
      />
    </main>
  );
});
