import { say } from '@/core/words/say';
import { OwnExercises, PracticeHome, WorkedTable } from '@/features/practice';
import { listAttempts, listExercises, modelsToPractise } from '@/features/practice/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import { Link } from '@/ui/link';
import { Pager } from '@/ui/pager';
import '@/core/words/en/practice-exercise';

export const metadata = { title: 'Practice' };
export default page({ permission: 'signedIn', name: '/practice' }, async ({ tx, actor, search }) => {
  const { zone } = await readSettings(tx);
  const all = search.all === '1';
  const worked = await listAttempts(tx, { before: search.before, ...(all ? {} : { person: actor.id }) });
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'practice.title' })}</h1>
        <span className="quiet">{say({ code: 'practice.what' })}</span>
        <span className="end">
          <Link className="btn btn-plain" href="/practice/competence">
            {say({ code: 'practice.toCompetence' })}
          </Link>
        </span>
      </div>
      {may(actor.role, 'bench') && <PracticeHome models={await modelsToPractise(tx)} />}
      <h2 className="fs-5">{say({ code: 'practice.own' })}</h2>
      <OwnExercises lines={await listExercises(tx)} zone={zone} mayChange={may(actor.role, 'bench')} />
      <div className="d-flex gap-3 align-items-center mb-2">
        <h2 className="fs-5 mb-0">{say({ code: 'practice.worked' })}</h2>
        <Link href="/practice" aria-current={all ? undefined : 'true'}>
          {say({ code: 'practice.mine' })}
        </Link>
        <Link href="/practice?all=1" aria-current={all ? 'true' : undefined}>
          {say({ code: 'practice.everybody' })}
        </Link>
        <span className="ms-auto">
          <ExportLinks base="/practice/export" />
        </span>
      </div>
      <WorkedTable rows={worked.rows} zone={zone} />
      <Pager base="/practice" query={{ all: search.all, before: search.before }} next={worked.next} param="before" />
    </main>
  );
});
