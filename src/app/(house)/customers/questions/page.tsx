import { QUESTION_STATES } from '@/core/stored/question';
import { say } from '@/core/words/say';
import { QuestionLines } from '@/features/questions';
import { listQuestions } from '@/features/questions/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import { Link } from '@/ui/link';
import { FilterLinks } from '@/ui/list/filter-links';
import { queryOf, readList } from '@/ui/list/list-address';
import { ListSearch } from '@/ui/list/list-search';
import '@/core/words/en/questions';

export const metadata = { title: 'Asked by link' };
export default page({ permission: 'signedIn', name: '/customers/questions' }, async ({ tx, actor, now, search }) => {
  const list = readList('/customers/questions', search, { sorts: ['asked'], filters: { state: QUESTION_STATES }, down: true });
  const { rows, next } = await listQuestions(tx, { state: search.state, q: list.q, before: search.before, now });
  const { zone } = await readSettings(tx);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'question.title' })}</h1>
        <span className="quiet">{say({ code: 'question.what' })}</span>
        <span className="end">
          <ExportLinks base="/customers/questions/export" query={queryOf(list)} />
        </span>
      </div>
      <div className="d-flex flex-wrap gap-3 align-items-center mb-3">
        <ListSearch list={list} label={say({ code: 'question.find' })} />
        <FilterLinks
          list={list}
          name="state"
          label={say({ code: 'question.title' })}
          options={[
            ['', say({ code: 'question.all' })],
            ...QUESTION_STATES.map((state) => [state, say({ code: `question.stateName.${state}` })] as const),
          ]}
        />
      </div>
      <div className="sheet">
        {rows.length === 0 && <p className="quiet mb-0">{say({ code: 'question.none' })}</p>}
        <QuestionLines lines={rows} zone={zone} mayKeep={may(actor.role, 'receive')} named />
      </div>
      {next && (
        <Link
          className="btn btn-plain mt-3"
          href={`/customers/questions?${new URLSearchParams({ ...queryOf(list), before: next })}`}
        >
          {say({ code: 'question.older' })}
        </Link>
      )}
    </main>
  );
});
