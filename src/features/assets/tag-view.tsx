import { say, type WordCode } from '@/core/words/say';
import { PrintButton } from '@/ui/print-button';
import type { assetCard } from './server/asset-card';
import '@/core/words/en/paper';
import '@/core/words/en/labels';
import '@/core/words/en/status';
import '@/core/words/de';

type TagWord = Extract<WordCode, `status.head.${string}` | `tag.${string}`>;

type Card = NonNullable<Awaited<ReturnType<typeof assetCard>>>;

/** The tag that goes on an instrument that failed: it is never relied on until somebody has put it right. */
export function TagView({ card, why, on }: { card: Card; why: string; on: string }) {
  const { asset, model, customer } = card;
  const w = (code: TagWord) => say({ code }, customer.language);
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
      <div className="service-tag" lang={customer.language}>
        <p className="head">{w(`status.head.${asset.status}`)}</p>
        <p className="sub">{w('tag.notUse')}</p>
        <dl>
          <dt>{w('tag.instrument')}</dt>
          <dd>
            {asset.maker} {model.name} <span className="mono">{asset.serial}</span>
          </dd>
          <dt>{w('tag.customer')}</dt>
          <dd>
            {customer.name} {asset.tag && <span className="mono">{asset.tag}</span>}
          </dd>
          <dt>{w('tag.why')}</dt>
          <dd>{why || '______________________________'}</dd>
          <dt>{w('tag.tagged')}</dt>
          <dd>
            {on}, {asset.statusBy}
          </dd>
        </dl>
        <p className="sub">{w('tag.off')}</p>
      </div>
    </main>
  );
}
