import { notFound } from 'next/navigation';
import { AssetView, ChannelsPanel, CorrectAsset, NewOwner, pickChannel } from '@/features/assets';
import { assetCard, standingOf } from '@/features/assets/server';
import { listModels } from '@/features/counter/server';
import { LoanPanel } from '@/features/stock';
import { loansOf } from '@/features/stock/server';
import { assetOutlook } from '@/features/advice/server';
import { FilesPanel } from '@/features/files';
import { filesOf } from '@/features/files/server';
import type { Transaction } from '@/data/connection';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Instrument' };
export default page({ permission: 'signedIn', name: '/assets/[id]' }, async ({ tx, actor, params, now }) => {
  const card = await assetCard(tx, params.id!);
  if (!card) notFound();
  const { zone } = await readSettings(tx);
  const outlook = await assetOutlook(tx, card.asset.id);
  return (
    <main className="page">
      <AssetView
        card={card}
        zone={zone}
        mayReceive={may(actor.role, 'receive')}
        mayBench={may(actor.role, 'bench')}
        mayApprove={may(actor.role, 'approve')}
        standing={await standingOf(tx, card, zone)}
        now={now.toISOString()}
        today={dateIn(zone, now)}
        outlook={outlook}
      />
      {may(actor.role, 'receive') && (
        <>
          <CorrectAsset
            assetId={card.asset.id}
            on={{ serial: card.asset.serial, tag: card.asset.tag, modelId: card.asset.modelId }}
            models={await choices(tx, card.model)}
          />
          <ChannelsPanel
            key={card.channels.map((one) => one.id).join()}
            assetId={card.asset.id}
            channels={card.channels.map((one) => ({ ...pickChannel(one), label: one.label }))}
          />
          <NewOwner assetId={card.asset.id} owner={card.customer.name} />
        </>
      )}
      <LoanPanel
        assetId={card.asset.id}
        forLoan={card.asset.forLoan}
        loans={await loansOf(tx, card.asset.id)}
        zone={zone}
        mayKeep={may(actor.role, 'receive')}
      />
      <FilesPanel
        about="asset"
        aboutId={card.asset.id}
        files={await filesOf(tx, 'asset', card.asset.id)}
        mayKeep={may(actor.role, 'receive')}
      />
    </main>
  );
});

/** Models in use, and its own where that has ended. */
async function choices(tx: Transaction, own: { id: string; maker: string; name: string; kind: string }) {
  const models = await listModels(tx);
  return (models.some((one) => one.id === own.id) ? models : [own, ...models]).map(({ id, maker, name, kind }) => ({
    id,
    maker,
    name,
    kind,
  }));
}
