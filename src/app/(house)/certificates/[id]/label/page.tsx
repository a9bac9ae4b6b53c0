import { notFound } from 'next/navigation';
import { LabelView } from '@/features/certificates';
import { certificateById } from '@/features/certificates/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Label' };
export default page({ permission: 'signedIn', name: '/certificates/[id]/label' }, async ({ tx, params }) => {
  const found = await certificateById(tx, params.id!);
  return found ? (
    <main className="page page-narrow">
      <LabelView
        content={found.certificate.content}
        token={found.certificate.token}
        outOfService={found.certificate.content.conformity.asLeft !== 'within'}
      />
    </main>
  ) : (
    notFound()
  );
});
