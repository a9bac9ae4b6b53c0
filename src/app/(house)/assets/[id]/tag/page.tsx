import { notFound } from 'next/navigation';
import { TagView } from '@/features/assets';
import { assetCard } from '@/features/assets/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';
import { day } from '@/ui/format';

export const metadata = { title: 'Tag' };
export default page({ permission: 'signedIn', name: '/assets/[id]/tag' }, async ({ tx, params }) => {
  const card = await assetCard(tx, params.id!);
  if (!card) notFound();
  const { zone } = await readSettings(tx);
  return <TagView card={card} on={card.asset.statusSince ? day(dateIn(zone, card.asset.statusSince)) : ''} />;
});
