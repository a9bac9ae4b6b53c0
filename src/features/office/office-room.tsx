import type { ReactNode } from 'react';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import '@/core/words/en/did';
import '@/core/words/en/house';

/** A room of the office with its way back. Who only reads is told so, and finds everything shut. */
export function OfficeRoom({ title, reads, children }: { title: string; reads: boolean; children: ReactNode }) {
  return (
    <main className="page page-narrow">
      <div className="page-head">
        <h1>{title}</h1>
        <Link className="end btn btn-plain" href="/office">
          {say({ code: 'house.office' })}
        </Link>
      </div>
      {reads && <p className="notice">{say({ code: 'audit.reads' })}</p>}
      <fieldset disabled={reads}>{children}</fieldset>
    </main>
  );
}
