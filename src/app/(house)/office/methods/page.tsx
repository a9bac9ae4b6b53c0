import { OfficeRoom, WaysPanel } from '@/features/office';
import { listWays } from '@/features/office/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import '@/core/words/en/house';

export const metadata = { title: 'How it is done here' };
export default page({ permission: 'office', name: '/office/methods' }, async ({ tx, actor }) => (
  <OfficeRoom title={say({ code: 'methods.title' })} reads={!may(actor.role, 'office')}>
    <WaysPanel ways={await listWays(tx)} />
  </OfficeRoom>
));
