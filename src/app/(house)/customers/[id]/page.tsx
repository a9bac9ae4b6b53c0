import { notFound } from 'next/navigation';
import { CustomerView } from '@/features/customers';
import { customerCard } from '@/features/customers/server';
import { FilesPanel } from '@/features/files';
import { filesOf } from '@/features/files/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Customer' };
export default page({ permission: 'signedIn', name: '/customers/[id]' }, async ({ tx, actor, now, params }) => {
  const card = await customerCard(tx, params.id!, now);
  if (!card) notFound();
  return (
    <>
      <CustomerView card={card} role={actor.role} zone={(await readSettings(tx)).zone} />
      <div className="page pt-0">
        <FilesPanel
          about="customer"
          aboutId={params.id!}
          files={await filesOf(tx, 'customer', params.id!)}
          mayKeep={may(actor.role, 'receive')}
        />
      </div>
    </>
  );
});
