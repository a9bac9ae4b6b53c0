import { ADVICE_CODES } from '@/core/stored/advice';
import { say } from '@/core/words/say';
import { AdviceTable } from '@/features/advice';
import { listAdvice } from '@/features/advice/server';
import { page } from '@/platform/page';
import { ExportLinks } from '@/ui/export-links';
import { queryOf, readList } from '@/ui/list/list-address';
import '@/core/words/en/advice';

export const metadata = { title: 'Advice on intervals' };
export default page({ permission: 'signedIn', name: '/due/advice' }, async ({ tx, search }) => {
  const list = readList('/due/advice', search, { sorts: ['outside'], filters: { says: ADVICE_CODES }, down: true });
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'advice.room' })}</h1>
        <span className="end">
          <ExportLinks base="/due/advice/export" query={queryOf(list)} />
        </span>
      </div>
      <p className="quiet">{say({ code: 'advice.roomHow' })}</p>
      <AdviceTable list={list} page={await listAdvice(tx, { code: list.filters.says, after: list.after })} />
    </main>
  );
});
