import { notFound } from 'next/navigation';
import { CustomerView } from '@/features/customers';
import { customerCard } from '@/features/customers/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Customer' };
export default page({ permission: 'signedIn', name: '/customers/[id]' }, async ({ tx, actor, now, params }) => {
  const card = await customerCard(tx, params.id!, now);
  return card ? <CustomerView card={card} role={actor.role} zone={(await readSettings(tx)).zone} /> : notFound();
});
