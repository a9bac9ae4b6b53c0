import { notFound } from 'next/navigation';
import { TagView } from '@/features/assets';
import { assetCard, failureOf } from '@/features/assets/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Out-of-service tag' };
export default page({ permission: 'signedIn', name: '/assets/[id]/tag' }, async ({ tx, actor, params, now }) => {
  const card = await assetCard(tx, params.id!);
  return card ? (
    <TagView
      card={card}
      reason={await failureOf(tx, params.id!)}
      today={dateIn((await readSettings(tx)).zone, now)}
      who={actor.name}
    />
  ) : (
    notFound()
  );
});
