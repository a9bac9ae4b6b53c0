import { notFound } from 'next/navigation';
import { OfferPaper } from '@/features/money';
import { offerOnPaper } from '@/features/money/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Offer' };
export default page({ permission: 'signedIn', name: '/tickets/[id]/offers/[offer]' }, async ({ tx, params }) => {
  const found = await offerOnPaper(tx, params.id!, params.offer!);
  return found ? (
    <main className="page page-narrow">
      <OfferPaper found={found} />
    </main>
  ) : (
    notFound()
  );
});
