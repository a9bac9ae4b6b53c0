import { EnterByLink } from '@/features/window';
import { workshopOf } from '@/features/window/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Way in', robots: { index: false } };
/** Looking uses nothing up. */
export default page({ permission: 'public', name: '/window/enter/[link]' }, async ({ tx, params }) => (
  <main className="page page-narrow">
    <EnterByLink link={params.link!} workshop={await workshopOf(tx)} />
  </main>
));
