'use client';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { seeReportAction } from './actions';
import '@/core/words/en/window';

export interface Report {
  id: string;
  kind: string;
  what: unknown;
  by: string;
  at: Date;
  customer: string;
  assetId: string;
  serial: string;
}
const textOf = (what: unknown): string => {
  const { what: how, text } = what as { what?: string; text?: string };
  return [how && say({ code: `window.gone.${how as 'sold'}` }), text].filter(Boolean).join(': ');
};

/** What customers reported, until somebody has seen to it. */
export function ReportsPanel({ reports, zone, may }: { reports: readonly Report[]; zone: string; may: boolean }) {
  const router = useRouter();
  if (reports.length === 0) return null;
  const seen = async (requestId: string) => {
    await attempt(() => seeReportAction({ requestId }));
    router.refresh();
  };
  return (
    <section className="sheet mb-3" data-testid="window-reports">
      <h2>{say({ code: 'window.reports' })}</h2>
      <p className="quiet small">{say({ code: 'window.reportsHow' })}</p>
      {reports.map((one) => (
        <div key={one.id} className="d-flex flex-wrap gap-3 align-items-baseline py-2 border-top">
          <strong>{say({ code: `window.report.${one.kind as 'fault'}` })}</strong>
          <Link className="mono" href={`/assets/${one.assetId}`}>
            {one.serial}
          </Link>
          <span className="flex-grow-1">{textOf(one.what)}</span>
          <span className="quiet small">
            {one.by}, {one.customer}, {dayTime(one.at, zone)}
          </span>
          {may && (
            <Button variant="plain" size="sm" onClick={() => seen(one.id)}>
              {say({ code: 'window.seen' })}
            </Button>
          )}
        </div>
      ))}
    </section>
  );
}
