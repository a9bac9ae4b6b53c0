import { notFound } from 'next/navigation';
import { ProcedureView } from '@/features/procedures';
import { procedurePage } from '@/features/procedures/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import '@/core/words/en/procedures';

export const metadata = { title: 'Procedure' };
export default page({ permission: 'signedIn', name: '/procedures/[id]' }, async ({ tx, params }) => {
  const found = await procedurePage(tx, params.id!);
  if (!found) notFound();
  const { id, title, version } = found.procedure;
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{title}</h1>
        <span className="quiet">
          {say({ code: 'procedures.version' })} {version}
        </span>
        <a className="end btn btn-plain" href={`/procedures/${id}/json`} download>
          {say({ code: 'procedures.json' })}
        </a>
      </div>
      <ProcedureView page={found} />
    </main>
  );
});
