import { QUESTION_STATES } from '@/core/stored/question';
import { say } from '@/core/words/say';
import { QuestionLines } from '@/features/questions';
import { listQuestions } from '@/features/questions/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { Link } from '@/ui/link';
import '@/core/words/en/questions';

export const metadata = { title: 'Asked by link' };
export default page({ permission: 'signedIn', name: '/customers/questions' }, async ({ tx, actor, now, search }) => {
  const { rows, next } = await listQuestions(tx, { state: search.state, before: search.before, now });
  const { zone } = await readSettings(tx);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'question.title' })}</h1>
        <span className="quiet">{say({ code: 'question.what' })}</span>
      </div>
      <nav className="tabs mb-3" aria-label={say({ code: 'question.title' })}>
        <Link href="/customers/questions" aria-current={!search.state}>
          {say({ code: 'question.all' })}
        </Link>
        {QUESTION_STATES.map((state) => (
          <Link key={state} href={`/customers/questions?state=${state}`} aria-current={search.state === state}>
            {say({ code: `question.stateName.${state}` })}
          </Link>
        ))}
      </nav>
      <div className="sheet">
        {rows.length === 0 && <p className="quiet mb-0">{say({ code: 'question.none' })}</p>}
        <QuestionLines lines={rows} zone={zone} mayKeep={may(actor.role, 'receive')} named />
      </div>
      {next && (
        <Link
          className="btn btn-plain mt-3"
          href={`/customers/questions?${new URLSearchParams({ before: next, ...(search.state ? { state: search.state } : {}) })}`}
        >
          {say({ code: 'question.older' })}
        </Link>
      )}
    </main>
  );
});
