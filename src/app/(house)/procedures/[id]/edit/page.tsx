import { notFound } from 'next/navigation';
import { ProcedureEditor } from '@/features/procedures';
import { modelsToTry, ownProcedurePage } from '@/features/procedures/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { dateIn } from '@/platform/clock';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { Link } from '@/ui/link';
import '@/core/words/en/practice';
import '@/core/words/en/procedures';

/** Models that the head of the page offers to try a draft on. */
const MOST_TRIED = 2;

export const metadata = { title: 'Draft of a procedure' };
export default page({ permission: 'bench', name: '/procedures/[id]/edit' }, async ({ tx, actor, now, params }) => {
  const found = await ownProcedurePage(tx, params.id!);
  if (!found.own || !found.draft) notFound();
  const { zone } = await readSettings(tx);
  const models = await modelsToTry(tx, found.own);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{found.draft.title}</h1>
        <span className="quiet">
          {say({ code: 'procedures.draft' })}, {say({ code: 'procedures.version' }).toLowerCase()} {found.draft.version}
        </span>
        <span className="end d-flex flex-wrap gap-2">
          {models.slice(0, MOST_TRIED).map((one) => (
            <Link key={one.id} className="btn btn-plain" href={`/models/${one.id}/try?draft=${found.own!.id}`}>
              {say({ code: 'practice.tryOn', numbers: { model: `${one.maker} ${one.name}` } })}
            </Link>
          ))}
          <Link className="btn btn-plain" href={`/procedures/${found.own.id}`}>
            {say({ code: 'edit.preview' })}
          </Link>
        </span>
      </div>
      <ProcedureEditor
        draft={found.draft}
        rowVersion={found.own.rowVersion}
        walk={found.walk}
        corrected={found.corrected}
        mayRelease={may(actor.role, 'approve')}
        me={actor.name}
        today={dateIn(zone, now)}
      />
    </main>
  );
});
