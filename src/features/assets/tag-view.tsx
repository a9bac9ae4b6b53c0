import { day } from '@/ui/format';
import { PrintButton } from '@/ui/print-button';
import type { assetCard } from './server/asset-card';

type Card = NonNullable<Awaited<ReturnType<typeof assetCard>>>;

/** The tag that goes on an instrument that failed: it is never relied on until somebody has put it right. */
export function TagView({ card, reason, today, who }: { card: Card; reason: string; today: string; who: string }) {
  const { asset, model, customer } = card;
  return (
    <main className="page">
      <div className="page-head no-print">
        <h1>Out-of-service tag</h1>
        <PrintButton />
      </div>
      <div className="service-tag">
        <p className="head">OUT OF SERVICE</p>
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
          <dd>{reason || '______________________________'}</dd>
          <dt>Tagged</dt>
          <dd>
            {day(today)}, {who}
          </dd>
        </dl>
        <p className="sub">Only who has repaired and calibrated it takes this tag off.</p>
      </div>
    </main>
  );
}
