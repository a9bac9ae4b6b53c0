import { say } from '@/core/words/say';
import { ModelTable, TakeModelsForm } from '@/features/models';
import { MODEL_SORTS, modelsInRoom, type ModelSort } from '@/features/models/server';
import { page } from '@/platform/page';
import { Link } from '@/ui/link';
import { readList } from '@/ui/list/list-address';
import { may } from '@/platform/permission';
import '@/core/words/en/models';
import '@/core/words/en/procedures';

export const metadata = { title: 'Models' };
export default page({ permission: 'signedIn', name: '/models' }, async ({ tx, actor, search }) => {
  const list = readList('/models', search, { sorts: MODEL_SORTS, filters: { retired: ['yes'] } });
  const { q, down } = list;
  const retired = list.filters.retired === 'yes';
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'models.title' })}</h1>
        <span className="quiet">{say({ code: 'models.what' })}</span>
        <span className="end d-flex flex-wrap gap-2">
          <Link className="btn btn-plain" href="/procedures">
            {say({ code: 'procedures.title' })}
          </Link>
          {may(actor.role, 'bench') && <TakeModelsForm />}
          <a className="btn btn-plain" href="/models/export" download>
            {say({ code: 'models.export' })}
          </a>
        </span>
      </div>
      <ModelTable list={list} models={await modelsInRoom(tx, { q, retired, down, sort: list.sort as ModelSort })} />
    </main>
  );
});
