import { notFound } from 'next/navigation';
import { DeliveryNote } from '@/features/money';
import { deliveryOnPaper } from '@/features/money/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Delivery note' };
export default page({ permission: 'signedIn', name: '/tickets/[id]/delivery' }, async ({ tx, params }) => {
  const found = await deliveryOnPaper(tx, params.id!);
  return found ? (
    <main className="page page-narrow">
      <DeliveryNote found={found} />
    </main>
  ) : (
    notFound()
  );
});
