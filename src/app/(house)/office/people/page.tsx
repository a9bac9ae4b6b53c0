import { OfficeRoom, UserPanel } from '@/features/office';
import { listUsers } from '@/features/office/server';
import { say } from '@/core/words/say';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import '@/core/words/en/house';

export const metadata = { title: 'People' };
export default page({ permission: 'office', name: '/office/people' }, async ({ tx, actor }) => (
  <OfficeRoom title={say({ code: 'people.title' })} reads={!may(actor.role, 'office')}>
    <UserPanel users={await listUsers(tx)} me={actor.id} />
  </OfficeRoom>
));
