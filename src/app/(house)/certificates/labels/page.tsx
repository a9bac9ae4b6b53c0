import { labelPaper } from '@/core/paper/label-paper';
import { say } from '@/core/words/say';
import { LabelView } from '@/features/certificates';
import { labelsOf } from '@/features/certificates/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/paper';

export const metadata = { title: 'Labels' };
export default page({ permission: 'signedIn', name: '/certificates/labels' }, async ({ tx, search, chosen }) => {
  const labels = await labelsOf(tx, chosen);
  const { labelPaper: usual } = await readSettings(tx);
  const ids = chosen.map((id) => ['id', id]);
  return (
    <main className="page page-narrow">
      {labels.length === 0 ? (
        <p className="empty">{say({ code: 'label.nothing' })}</p>
      ) : (
        <LabelView
          labels={labels}
          paper={labelPaper(search.paper, usual)}
          onPaper={(paper) => `/certificates/labels?${new URLSearchParams([...ids, ['paper', paper]])}`}
        />
      )}
    </main>
  );
});
