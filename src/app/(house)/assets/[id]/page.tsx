import { notFound } from 'next/navigation';
import { AssetView } from '@/features/assets';
import { assetCard } from '@/features/assets/server';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Instrument' };
export default page({ permission: 'signedIn', name: '/assets/[id]' }, async ({ tx, actor, params, now }) => {
  const card = await assetCard(tx, params.id!);
  return card ? (
    <main className="page">
      <AssetView card={card} zone={(await readSettings(tx)).zone} mayBench={may(actor.role, 'bench')} now={now.toISOString()} />
    </main>
  ) : (
    notFound()
  );
});
