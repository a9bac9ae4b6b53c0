import { notFound } from 'next/navigation';
import { CorrectReference, ReferenceView } from '@/features/shelf';
import { inputOf, referencePage, stampOf } from '@/features/shelf/server';
import { FilesPanel } from '@/features/files';
import { filesOf } from '@/features/files/server';
import { dateIn } from '@/platform/clock';
import { LotOutlookPanel, SuspectForm, WitnessPanel } from '@/features/recall';
import { judgedLots, lotOutlook, suspicionsOf } from '@/features/recall/server';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/recall';

export const metadata = { title: 'Bottle' };
export default page({ permission: 'signedIn', name: '/shelf/[id]' }, async ({ tx, now, actor, params }) => {
  const [found, settings] = [await referencePage(tx, params.id!), await readSettings(tx)];
  const judged = await judgedLots(tx);
  return found ? (
    <main className="page">
      <ReferenceView
        page={found}
        today={dateIn(settings.zone, now)}
        zone={settings.zone}
        may={may(actor.role, 'bench')}
        currency={settings.currency}
      />
      <p className="mt-3 d-flex flex-wrap gap-4">
        <Link href={`/trace?what=reference&of=${params.id!}`}>{say({ code: 'trace.link' })}</Link>
        {(await suspicionsOf(tx, params.id!)).map((one) => (
          <Link key={one.id} href={`/recall/${one.id}`}>
            {say({ code: one.endedAt ? 'recall.see' : 'recall.seeOpen' })}
          </Link>
        ))}
      </p>
      <WitnessPanel found={judged.lots.filter((one) => one.lot === found.snapshot.lot)} at={judged.at} zone={settings.zone} />
      <LotOutlookPanel outlook={await lotOutlook(tx, params.id!)} />
      {may(actor.role, 'bench') && <SuspectForm reference={found.snapshot} />}
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
