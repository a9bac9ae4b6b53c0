import { notFound } from 'next/navigation';
import { ProcedureEditor } from '@/features/procedures';
import { ownProcedurePage } from '@/features/procedures/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { dateIn } from '@/platform/clock';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { Link } from '@/ui/link';
import '@/core/words/en/procedures';

export const metadata = { title: 'Draft of a procedure' };
export default page({ permission: 'bench', name: '/procedures/[id]/edit' }, async ({ tx, actor, now, params }) => {
  const found = await ownProcedurePage(tx, params.id!);
  if (!found.own || !found.draft) notFound();
  const { zone } = await readSettings(tx);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{found.draft.title}</h1>
        <span className="quiet">
          {say({ code: 'procedures.draft' })}, {say({ code: 'procedures.version' }).toLowerCase()} {found.draft.version}
        </span>
        <Link className="end btn btn-plain" href={`/procedures/${found.own.id}`}>
          {say({ code: 'edit.preview' })}
        </Link>
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
