import { notFound } from 'next/navigation';
import { CorrectReference, ReferenceView } from '@/features/shelf';
import { inputOf, referencePage, stampOf } from '@/features/shelf/server';
import { FilesPanel } from '@/features/files';
import { filesOf } from '@/features/files/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Bottle' };
export default page({ permission: 'signedIn', name: '/shelf/[id]' }, async ({ tx, now, actor, params }) => {
  const [found, settings] = [await referencePage(tx, params.id!), await readSettings(tx)];
  return found ? (
    <main className="page">
      <ReferenceView
        page={found}
        today={dateIn(settings.zone, now)}
        zone={settings.zone}
        may={may(actor.role, 'bench')}
        currency={settings.currency}
      />
      {may(actor.role, 'bench') && <CorrectReference id={params.id!} input={inputOf(found.row)} seen={stampOf(found.row)} />}
      <FilesPanel
        about="reference"
        aboutId={params.id!}
        files={await filesOf(tx, 'reference', params.id!)}
        mayKeep={may(actor.role, 'receive')}
      />
    </main>
  ) : (
    notFound()
  );
});
