import { notFound } from 'next/navigation';
import { CertificateView } from '@/features/certificates';
import { certificateById, mailsOf } from '@/features/certificates/server';
import { readSettings } from '@/platform/settings';
import { dayTime } from '@/ui/format';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';

export const metadata = { title: 'Certificate' };
export default page({ permission: 'signedIn', name: '/certificates/[id]' }, async ({ tx, actor, params }) => {
  const found = await certificateById(tx, params.id!);
  if (!found) return notFound();
  const { certificate, replacedBy, replacedByRevision, withdrawnBy, withdrawnNumber, status } = found;
  const { zone } = await readSettings(tx);
  return (
    <main className="page">
      <CertificateView
        id={certificate.id}
        token={certificate.token}
        content={certificate.content}
        hash={certificate.hash}
        replacedBy={replacedBy ? { id: replacedBy, revision: replacedByRevision! } : null}
        withdrawnBy={withdrawnBy ? { id: withdrawnBy, number: withdrawnNumber! } : null}
        reopened={status !== null && status !== 'approved'}
        mails={(await mailsOf(tx, certificate.id)).map(({ at, ...one }) => ({ ...one, at: dayTime(at, zone) }))}
        mayRevise={may(actor.role, 'approve')}
        signed={
          certificate.signed && {
            ...certificate.signed,
            at: dayTime(new Date(certificate.signed.at), zone),
          }
        }
      />
    </main>
  );
});
