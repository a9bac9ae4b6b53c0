import { PaperList } from '@/features/paper';
import { modelsOnPaper } from '@/features/paper/server';
import { page } from '@/platform/page';

export const metadata = { title: 'On paper' };
export default page({ permission: 'bench', name: '/paper' }, async ({ tx }) => (
  <main className="page page-narrow">
    <PaperList models={await modelsOnPaper(tx)} />
  </main>
));
