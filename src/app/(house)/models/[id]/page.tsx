import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { ModelView } from '@/features/models';
import { modelPage } from '@/features/models/server';
import { ModelOutlookPanel } from '@/features/advice';
import { modelOutlook } from '@/features/advice/server';
import { FilesPanel } from '@/features/files';
import { filesOf } from '@/features/files/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { Changed } from '@/ui/changed';
import { dayTime } from '@/ui/format';
import '@/core/words/en/customers';
import '@/core/words/en/models';

export const metadata = { title: 'Model' };
export default page({ permission: 'signedIn', name: '/models/[id]' }, async ({ tx, actor, params }) => {
  const found = await modelPage(tx, params.id!);
  if (!found) notFound();
  const { model, procedure, procedures, instruments, history } = found;
  const { zone } = await readSettings(tx);
  const outlook = await modelOutlook(tx, found.model.id);
  const { id, version, maker, name, kind, notes, traits, channels } = model;
  const changes = history.filter((row) => row.kind === 'changed');
  return (
    <main className="page">
      <div className="page-head">
        <h1>
          {maker} {name}
        </h1>
        <span className="quiet">
          {say({ code: 'models.used' })}: {instruments}
        </span>
        {model.retiredAt && (
          <span className="notice mb-0">{say({ code: 'model.retired', numbers: { why: model.retiredWhy } })}</span>
        )}
      </div>
      <ModelView
        model={{ id, version, maker, name, kind, procedureId: procedure?.id ?? '', notes, traits, channels }}
        procedure={procedure?.title ?? '—'}
        procedures={procedures}
        retired={model.retiredAt !== null}
        mayKeep={may(actor.role, 'bench') && procedure !== null}
      />
      {outlook && <ModelOutlookPanel outlook={outlook} zone={zone} />}
      <FilesPanel about="model" aboutId={id} files={await filesOf(tx, 'model', id)} mayKeep={may(actor.role, 'receive')} />
      {changes.length > 0 && (
        <section className="sheet mt-3">
          <h2>{say({ code: 'customer.history' })}</h2>
          {changes.map((row) => (
            <div key={row.id} className="mb-2">
              <span className="small quiet">
                {dayTime(row.at, zone)}, {row.actor.name}
              </span>
              <Changed before={row.before ?? {}} after={row.after ?? {}} />
            </div>
          ))}
        </section>
      )}
    </main>
  );
});
