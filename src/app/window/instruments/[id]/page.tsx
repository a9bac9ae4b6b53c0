import { notFound } from 'next/navigation';
import { say } from '@/core/words/say';
import { DocumentsView, HistoryChart, jobOf, MayMark, PocketActs, whyOf, WindowFrame } from '@/features/window';
import { ownInstrument, workshopOf } from '@/features/window/server';
import { windowPage } from '@/platform/window-door';
import '@/core/words/en/window';

export const metadata = { title: 'Instrument', robots: { index: false } };
export default windowPage('/window/instruments/[id]', async ({ tx, who, params, now }) => {
  const found = await ownInstrument(tx, params.id!, now);
  if (!found) notFound();
  const { instrument, documents, history, zone } = found;
  return (
    <WindowFrame who={who} workshop={await workshopOf(tx)}>
      <div className="page-head">
        <h1>
          {instrument.item} <span className="mono">{instrument.serial}</span>
        </h1>
        {instrument.tag && <span className="mono fs-5">{instrument.tag}</span>}
        {instrument.site && <span className="quiet">{instrument.site}</span>}
      </div>
      <section className="sheet mb-3 pocket" data-testid="pocket">
        <p className="quiet mb-0">{say({ code: 'window.today' })}</p>
        <p className="fs-2 mb-0">
          <MayMark may={instrument.use.may} />
        </p>
        <p className="mb-0">{instrument.job ? jobOf(instrument) : whyOf(instrument)}</p>
      </section>
      {who.acts ? (
        <PocketActs assetId={instrument.id} bumped={instrument.bumped} />
      ) : (
        <p className="quiet">{say({ code: 'window.readOnly' })}</p>
      )}
      <section className="sheet mb-3">
        <h2>{say({ code: 'window.documents' })}</h2>
        <DocumentsView documents={documents} ofOne />
      </section>
      {history.length > 0 && (
        <section className="sheet mb-3">
          <h2>{say({ code: 'window.history' })}</h2>
          <p className="quiet small">{say({ code: 'window.historyHow' })}</p>
          <HistoryChart points={history} zone={zone} />
        </section>
      )}
    </WindowFrame>
  );
});
