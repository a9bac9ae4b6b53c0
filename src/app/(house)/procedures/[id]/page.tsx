import { notFound } from 'next/navigation';
import { OwnPanel, ProcedureView, VersionsPanel } from '@/features/procedures';
import { ownProcedurePage, procedurePage } from '@/features/procedures/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/procedures';

export const metadata = { title: 'Procedure' };
export default page({ permission: 'signedIn', name: '/procedures/[id]' }, async ({ tx, actor, params }) => {
  const found = await procedurePage(tx, params.id!);
  if (!found) notFound();
  const { id, title, version } = found.procedure;
  const own = await ownProcedurePage(tx, id);
  const { zone } = await readSettings(tx);
  const released = own.own === null || own.versions.length > 0;
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{title}</h1>
        <span className="quiet">
          {own.own && `${say({ code: 'procedures.own' })}, `}
          {released ? `${say({ code: 'procedures.version' }).toLowerCase()} ${version}` : say({ code: 'procedures.draft' })}
        </span>
        <a className="end btn btn-plain" href={`/procedures/${id}/json`} download>
          {say({ code: 'procedures.json' })}
        </a>
      </div>
      {own.recall && (
        <p className="notice bad" role="alert">
          {say({ code: 'procedures.recalledMark', numbers: own.recall })}
        </p>
      )}
      {own.own && own.own.retiredWhy !== null && (
        <p className="notice">{say({ code: 'procedures.ended', numbers: { why: own.own.retiredWhy } })}</p>
      )}
      <OwnPanel
        id={id}
        title={title}
        released={released}
        page={{ own: own.own, recall: own.recall, drafted: own.draft !== null }}
        mayWork={may(actor.role, 'bench')}
        mayRelease={may(actor.role, 'approve')}
      />
      <VersionsPanel page={own} zone={zone} />
      <ProcedureView page={found} />
    </main>
  );
});
