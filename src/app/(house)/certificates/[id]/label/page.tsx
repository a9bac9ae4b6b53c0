import { notFound } from 'next/navigation';
import { labelPaper } from '@/core/paper/label-paper';
import { LabelView } from '@/features/certificates';
import { labelsOf } from '@/features/certificates/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Label' };
export default page({ permission: 'signedIn', name: '/certificates/[id]/label' }, async ({ tx, params, search }) => {
  const labels = await labelsOf(tx, [params.id!]);
  const { labelPaper: usual } = await readSettings(tx);
  return labels.length ? (
    <main className="page page-narrow">
      <LabelView
        labels={labels}
        paper={labelPaper(search.paper, usual)}
        onPaper={(paper) => `/certificates/${params.id!}/label?paper=${paper}`}
      />
    </main>
  ) : (
    notFound()
  );
});
