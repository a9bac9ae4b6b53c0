import { say } from '@/core/words/say';
import { DocumentsView, WindowFrame } from '@/features/window';
import { ownDocuments, workshopOf } from '@/features/window/server';
import { windowPage } from '@/platform/window-door';
import '@/core/words/en/window';

export const metadata = { title: 'Documents', robots: { index: false } };
export default windowPage('/window/documents', async ({ tx, who }) => (
  <WindowFrame who={who} workshop={await workshopOf(tx)}>
    <div className="page-head">
      <h1>{say({ code: 'window.documents' })}</h1>
      <span className="end">
        {/* A file, not a page. */}
        <a href="/window/documents/zip" download>
          {say({ code: 'window.zip' })}
        </a>
      </span>
    </div>
    <section className="sheet">
      <DocumentsView documents={await ownDocuments(tx)} />
    </section>
  </WindowFrame>
));
