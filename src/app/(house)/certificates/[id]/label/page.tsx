import { notFound } from 'next/navigation';
import { LabelView } from '@/features/certificates';
import { certificateById } from '@/features/certificates/server';
import { outcomeOfRun } from '@/features/bench/server';
import { checkOrigin } from '@/platform/check-origin';
import { page } from '@/platform/page';

export const metadata = { title: 'Label' };
export default page({ permission: 'signedIn', name: '/certificates/[id]/label' }, async ({ tx, params }) => {
  const found = await certificateById(tx, params.id!);
  return found ? (
    <main className="page page-narrow">
      <LabelView
        content={found.certificate.content}
        check={`${checkOrigin()}/verify/${found.certificate.token}`}
        outcome={await outcomeOfRun(tx, found.certificate.runId)}
        assetId={found.certificate.assetId}
      />
    </main>
  ) : (
    notFound()
  );
});
