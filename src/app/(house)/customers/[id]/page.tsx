import { notFound } from 'next/navigation';
import { CustomerView } from '@/features/customers';
import { customerCard } from '@/features/customers/server';
import { FilesPanel } from '@/features/files';
import { filesOf } from '@/features/files/server';
import { QuestionsPanel } from '@/features/questions';
import { listQuestions, questionsToAsk } from '@/features/questions/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Customer' };
export default page({ permission: 'signedIn', name: '/customers/[id]' }, async ({ tx, actor, now, params }) => {
  const card = await customerCard(tx, params.id!, now);
  if (!card) notFound();
  const { zone } = await readSettings(tx);
  const { rows: asked } = await listQuestions(tx, { customerId: card.customer.id, now });
  const emails = [card.customer.email, ...card.contacts.map((one) => one.email)].filter(Boolean);
  const mayKeep = may(actor.role, 'receive');
  return (
    <>
      <CustomerView card={card} role={actor.role} zone={zone} />
      <div className="page pt-0">
        <QuestionsPanel
          customerId={card.customer.id}
          lines={asked}
          toAsk={questionsToAsk({ ...card.customer, tolerances: card.tolerances })}
          emails={[...new Set(emails)]}
          zone={zone}
          mayKeep={mayKeep && !card.customer.retiredAt && !card.into}
        />
        <FilesPanel about="customer" aboutId={params.id!} files={await filesOf(tx, 'customer', params.id!)} mayKeep={mayKeep} />
      </div>
    </>
  );
});
