import { say } from '@/core/words/say';
import { PrintButton } from '@/ui/print-button';
import type { assetCard } from './server/asset-card';
import '@/core/words/en/paper';
import '@/core/words/en/status';

type Card = NonNullable<Awaited<ReturnType<typeof assetCard>>>;

/** The tag that goes on an instrument that failed: it is never relied on until somebody has put it right. */
export function TagView({ card, on }: { card: Card; on: string }) {
  const { asset, model, customer } = card;
  // A tag is true or it is not printed.
  if (asset.status === 'inUse')
    return (
      <main className="page">
        <div className="page-head">
          <h1>{say({ code: 'label.title.tag' })}</h1>
        </div>
        <p className="notice">{say({ code: 'return.inUse' })}</p>
      </main>
    );
  return (
    <main className="page">
      <div className="page-head no-print">
        <h1>{say({ code: 'label.title.tag' })}</h1>
        <PrintButton />
      </div>
      <div className="service-tag">
        <p className="head">{say({ code: `status.head.${asset.status}` })}</p>
        <p className="sub">Do not use. Do not rely on any reading or alarm of it.</p>
        <dl>
          <dt>Instrument</dt>
          <dd>
            {asset.maker} {model.name} <span className="mono">{asset.serial}</span>
          </dd>
          <dt>Customer</dt>
          <dd>
            {customer.name} {asset.tag && <span className="mono">{asset.tag}</span>}
          </dd>
          <dt>Why</dt>
          <dd>{asset.statusWhy || '______________________________'}</dd>
          <dt>Tagged</dt>
          <dd>
            {on}, {asset.statusBy}
          </dd>
        </dl>
        <p className="sub">Only who has repaired and calibrated it takes this tag off.</p>
      </div>
    </main>
  );
}
