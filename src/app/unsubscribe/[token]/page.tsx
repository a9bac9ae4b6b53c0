import { say } from '@/core/words/say';
import { publicWorkshop } from '@/features/certificates/server';
import { unsubscribe } from '@/features/customers/server';
import { page } from '@/platform/page';
import '@/core/words/en/letters';

export const metadata = { title: 'Reminders', robots: { index: false } };
/** Looking ends nothing: programs that look at every link of a mail press nothing. */
export default page({ permission: 'public', name: '/unsubscribe/[token]' }, async ({ tx, params }) => {
  const found = await unsubscribe(tx, params.token!, false);
  const workshop = await publicWorkshop(tx);
  return (
    <main className="page page-narrow">
      <div className="sheet">
        <h1>{say({ code: 'unsubscribe.title' })}</h1>
        {!found && <p className="mb-0">{say({ code: 'unsubscribe.unknown' })}</p>}
        {found?.wants && (
          <form method="post" action={`/api/unsubscribe/${params.token!}`}>
            <p>{say({ code: 'unsubscribe.wants', numbers: { name: found.name } })}</p>
            <button type="submit" className="btn btn-primary">
              {say({ code: 'unsubscribe.press' })}
            </button>
          </form>
        )}
        {found && !found.wants && (
          <p className="mb-0">{say({ code: 'unsubscribe.done', numbers: { name: found.name, workshop } })}</p>
        )}
      </div>
    </main>
  );
});
