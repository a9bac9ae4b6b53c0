import { notFound } from 'next/navigation';
import { HandBackPaper } from '@/features/counter';
import { ticketSlip } from '@/features/counter/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Returned without calibration' };
export default page({ permission: 'signedIn', name: '/tickets/[id]/paper' }, async ({ tx, params }) => {
  const slip = await ticketSlip(tx, params.id!);
  return slip?.ticket.endedNumber ? (
    <main className="page page-narrow">
      <HandBackPaper slip={slip} />
    </main>
  ) : (
    notFound()
  );
});
