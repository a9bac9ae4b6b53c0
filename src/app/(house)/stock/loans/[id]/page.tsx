import { notFound } from 'next/navigation';
import { LoanPaper } from '@/features/stock';
import { loanOnPaper } from '@/features/stock/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';

export const metadata = { title: 'Loan' };
export default page({ permission: 'signedIn', name: '/stock/loans/[id]' }, async ({ tx, actor, params }) => {
  const found = await loanOnPaper(tx, params.id!);
  return found ? (
    <main className="page page-narrow">
      <LoanPaper found={found} mayKeep={may(actor.role, 'receive')} />
    </main>
  ) : (
    notFound()
  );
});
