import { notFound } from 'next/navigation';
import { TagView } from '@/features/assets';
import { dayInLanguage } from '@/core/words/day-in-language';
import { assetCard } from '@/features/assets/server';
import { whyInLanguage } from '@/features/bench/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Tag' };
export default page({ permission: 'signedIn', name: '/assets/[id]/tag' }, async ({ tx, params }) => {
  const card = await assetCard(tx, params.id!);
  if (!card) notFound();
  const { zone } = await readSettings(tx);
  const { language } = card.customer;
  const since = card.asset.statusSince ? dateIn(zone, card.asset.statusSince) : null;
  const why = await whyInLanguage(tx, { assetId: card.asset.id, why: card.asset.statusWhy }, language);
  return <TagView card={card} why={why} on={since ? dayInLanguage(since, language) : ''} />;
});
