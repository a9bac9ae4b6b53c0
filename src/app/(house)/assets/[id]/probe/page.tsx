import { notFound } from 'next/navigation';
import { ProbeSheetView } from '@/features/probes';
import { probeSheet } from '@/features/probes/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Electrode sheet' };
export default page({ permission: 'signedIn', name: '/assets/[id]/probe' }, async ({ tx, params }) => {
  const sheet = await probeSheet(tx, params.id!);
  return sheet ? (
    <main className="page">
      <ProbeSheetView sheet={sheet} />
    </main>
  ) : (
    notFound()
  );
});
