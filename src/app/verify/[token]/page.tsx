import { VerifyView } from '@/features/certificates';
import { publishedKeys, verifyToken } from '@/features/certificates/server';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Check a certificate', robots: { index: false } };
export default page({ permission: 'public', name: '/verify/[token]' }, async ({ tx, params }) => (
  <VerifyView
    result={await verifyToken(tx, params.token!)}
    workshop={(await readSettings(tx)).name}
    keys={await publishedKeys()}
  />
));
