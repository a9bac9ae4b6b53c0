import { notFound } from 'next/navigation';
import { AssetView, ChannelsPanel, CorrectAsset, NewOwner, pickChannel } from '@/features/assets';
import { assetCard, standingOf } from '@/features/assets/server';
import { modelNames, type ModelName } from '@/features/counter/server';
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
export default page({ permission: 'signedIn', name: '/assets/[id]' }, async ({ tx, actor, params, search, now }) => {
  const card = await assetCard(tx, params.id!, { allVisits: search.visits === 'all' });
  if (!card) notFound();
  const mayReceive = may(actor.role, 'receive');
  const settings = await readSettings(tx);
  const { zone } = settings;
  const [{ outlook, found }, standing, models, loans, files] = await Promise.all([
    assetOutlook(tx, card.asset, settings),
    standingOf(tx, card, zone),
    mayReceive ? choices(tx, card.model) : [],
    loansOf(tx, card.asset.id),
    filesOf(tx, 'asset', card.asset.id),
  ]);
  return (
    <main className="page">
      <AssetView
        card={card}
        zone={zone}
        mayReceive={mayReceive}
        mayBench={may(actor.role, 'bench')}
        mayApprove={may(actor.role, 'approve')}
        standing={standing}
        now={now.toISOString()}
        today={dateIn(zone, now)}
        outlook={outlook}
        found={found}
      />
      {mayReceive && (
        <>
          <CorrectAsset
            assetId={card.asset.id}
            on={{ serial: card.asset.serial, tag: card.asset.tag, modelId: card.asset.modelId }}
            models={models}
          />
          <ChannelsPanel
            key={card.channels.map((one) => one.id).join()}
            assetId={card.asset.id}
            channels={card.channels.map((one) => ({ ...pickChannel(one), label: one.label }))}
          />
          <NewOwner assetId={card.asset.id} owner={card.customer.name} />
        </>
      )}
      <LoanPanel assetId={card.asset.id} forLoan={card.asset.forLoan} loans={loans} zone={zone} mayKeep={mayReceive} />
      <FilesPanel about="asset" aboutId={card.asset.id} files={files} mayKeep={mayReceive} />
    </main>
  );
});

/** Models in use, and its own where that has ended. */
async function choices(tx: Transaction, { id, maker, name, kind }: ModelName) {
  const models = await modelNames(tx);
  return models.some((one) => one.id === id) ? models : [{ id, maker, name, kind }, ...models];
}
