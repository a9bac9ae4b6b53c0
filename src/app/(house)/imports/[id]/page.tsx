import { notFound } from 'next/navigation';
import { ImportView } from '@/features/imports';
import { importPage } from '@/features/imports/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { isId } from '@/platform/shape';
import '@/core/words/en/imports';

export const metadata = { title: 'Import a table' };
export default page({ permission: 'office', name: '/imports/[id]' }, async ({ tx, actor, params, search }) => {
  const after = Number(search.after);
  const found = isId(params.id)
    ? await importPage(tx, { id: params.id, verdict: search.verdict, after: Number.isInteger(after) && after > 0 ? after : 0 })
    : null;
  if (!found) notFound();
  const { batch, ...rest } = found;
  return (
    <main className="page">
      <div className="page-head">
        <h1 className="text-break">{batch.fileName}</h1>
        <span className="quiet">{say({ code: `import.${batch.kind}` })}</span>
      </div>
      {search.letters === 'guessed' && <p className="notice">{say({ code: 'import.encoding' })}</p>}
      <fieldset disabled={!may(actor.role, 'office')}>
        <ImportView
          page={{
            id: batch.id,
            kind: batch.kind,
            state: batch.state,
            columns: batch.columns,
            decisions: batch.decisions,
            problem: batch.problem,
            shown: search.verdict,
            ...rest,
            rows: rest.rows.map(({ line, cells, given, problems, verdict }) => ({ line, cells, given, problems, verdict })),
          }}
        />
      </fieldset>
    </main>
  );
});
