import { DOCUMENT_KINDS } from '@/core/certificate/version-2';
import { readList, type ListAddress } from '@/ui/list/list-address';
import { CERTIFICATE_SORTS, type CertificateAsked, type CertificateSort } from './list-certificates';

/** The list of documents as an address says it, and what of it the database is asked. */
export function certificateList(search: Record<string, string>): { list: ListAddress; asked: CertificateAsked } {
  const list = readList('/certificates', search, {
    sorts: CERTIFICATE_SORTS,
    filters: { kind: DOCUMENT_KINDS, found: ['outside'] },
    down: true,
  });
  const { q, down, sort, filters } = list;
  const kind = DOCUMENT_KINDS.find((one) => one === filters.kind);
  return { list, asked: { q, down, sort: sort as CertificateSort, kind, outside: filters.found === 'outside' } };
}
