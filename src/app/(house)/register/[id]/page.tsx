import { notFound } from 'next/navigation';
import { EntryView } from '@/features/register';
import { registerPage } from '@/features/register/server';
import { suspicionOfEntry } from '@/features/recall/server';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/recall';

export const metadata = { title: 'Nonconforming work' };
export default page({ permission: 'signedIn', name: '/register/[id]' }, async ({ tx, actor, params }) => {
  const found = await registerPage(tx, params.id!);
  if (!found) notFound();
  const recall = await suspicionOfEntry(tx, params.id!);
  return (
    <main className="page page-narrow">
      {recall && (
        <p>
          <Link className="btn btn-plain" href={`/recall/${recall}`}>
            {say({ code: 'recall.see' })}
          </Link>
        </p>
      )}
      <EntryView
        found={found}
        zone={(await readSettings(tx)).zone}
        may={{ note: may(actor.role, 'bench'), close: may(actor.role, 'approve') }}
      />
    </main>
  );
});
