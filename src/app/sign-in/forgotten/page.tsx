import { DoorFrame, ForgottenForm } from '@/features/account';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'A new password' };
export default page({ permission: 'public', name: '/sign-in/forgotten' }, async ({ tx }) => (
  <DoorFrame workshop={(await readSettings(tx)).name}>
    <ForgottenForm />
  </DoorFrame>
));
