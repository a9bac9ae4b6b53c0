import { notFound } from 'next/navigation';
import { RecallView } from '@/features/recall';
import { countsOf, recallLetters, suspicionPage } from '@/features/recall/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Suspected reference' };
export default page({ permission: 'signedIn', name: '/recall/[id]' }, async ({ tx, actor, params }) => {
  const found = await suspicionPage(tx, params.id!);
  if (!found) notFound();
  return (
    <main className="page">
      <RecallView
        page={found}
        counts={countsOf(found.lines)}
        letters={found.suspicion.judgedAt ? await recallLetters(tx, found) : []}
        zone={(await readSettings(tx)).zone}
        may={may(actor.role, 'approve')}
      />
    </main>
  );
});
