import { say } from '@/core/words/say';
import { CompetenceView } from '@/features/competence';
import { listCompetence, toAuthorise } from '@/features/competence/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import '@/core/words/en/competence';

export const metadata = { title: 'Who may do what' };
export default page({ permission: 'signedIn', name: '/practice/competence' }, async ({ tx, actor, now }) => {
  const { zone } = await readSettings(tx);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'competence.title' })}</h1>
        <span className="quiet">{say({ code: 'competence.what' })}</span>
        <span className="end">
          <ExportLinks base="/practice/competence/export" />
        </span>
      </div>
      <CompetenceView
        lines={await listCompetence(tx, { today: dateIn(zone, now) })}
        mayGive={may(actor.role, 'approve')}
        to={await toAuthorise(tx)}
      />
    </main>
  );
});
