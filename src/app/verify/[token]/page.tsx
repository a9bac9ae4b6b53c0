import { VerifyView } from '@/features/certificates';
import { publicWorkshop, publishedKeys, verifyToken } from '@/features/certificates/server';
import { page } from '@/platform/page';

export const metadata = { title: 'Check a certificate', robots: { index: false } };
export default page({ permission: 'public', name: '/verify/[token]' }, async ({ tx, params }) => (
  <VerifyView result={await verifyToken(tx, params.token!)} workshop={await publicWorkshop(tx)} keys={await publishedKeys()} />
));
