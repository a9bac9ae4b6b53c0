import { notFound } from 'next/navigation';
import { EntryView } from '@/features/register';
import { registerPage } from '@/features/register/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Nonconforming work' };
export default page({ permission: 'signedIn', name: '/register/[id]' }, async ({ tx, actor, params }) => {
  const found = await registerPage(tx, params.id!);
  if (!found) notFound();
  return (
    <main className="page page-narrow">
      <EntryView
        found={found}
        zone={(await readSettings(tx)).zone}
        may={{ note: may(actor.role, 'bench'), close: may(actor.role, 'approve') }}
      />
    </main>
  );
});
