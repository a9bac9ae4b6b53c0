import { labelPaper } from '@/core/paper/label-paper';
import { say } from '@/core/words/say';
import { LabelView } from '@/features/certificates';
import { labelsOf, newestOfAssets } from '@/features/certificates/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/paper';

export const metadata = { title: 'Labels' };
export default page({ permission: 'signedIn', name: '/assets/labels' }, async ({ tx, search, chosen }) => {
  const { documents, without } = await newestOfAssets(tx, chosen);
  const labels = await labelsOf(tx, documents);
  const { labelPaper: usual } = await readSettings(tx);
  const ids = chosen.map((id) => ['id', id]);
  return (
    <main className="page page-narrow">
      {labels.length + without.length === 0 ? (
        <p className="empty">{say({ code: 'label.nothing' })}</p>
      ) : (
        <LabelView
          labels={labels}
          without={without}
          paper={labelPaper(search.paper, usual)}
          onPaper={(paper) => `/assets/labels?${new URLSearchParams([...ids, ['paper', paper]])}`}
        />
      )}
    </main>
  );
});
