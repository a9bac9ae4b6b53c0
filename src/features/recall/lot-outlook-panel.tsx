import { say } from '@/core/words/say';
import type { LotOutlook } from './server/lot-outlook';
import '@/core/words/en/lot-outlook';

const percent = (share: number) => (share * 100).toFixed(0);
/** So many channels are named. */
const MOST = 5;

/** What was found against a lot: how often within, and what was outside most. */
export function LotOutlookPanel({ outlook }: { outlook: LotOutlook | null }) {
  if (!outlook) return null;
  const { runs, within, of, lower, upper, fails } = outlook;
  return (
    <section className="sheet mt-3 mb-3" data-testid="lot-outlook">
      <h2 className="fs-5">{say({ code: 'lotOutlook.title' })}</h2>
      <p className="mb-1">
        {say({
          code: 'lotOutlook.share',
          numbers: { runs, within, of, percent: percent(within / of), lower: percent(lower), upper: percent(upper) },
        })}
      </p>
      {fails.slice(0, MOST).map((one) => (
        <div key={one.label} className="d-flex gap-2 align-items-center mb-1" style={{ maxWidth: '40rem' }}>
          <span style={{ width: '9rem' }}>{one.label}</span>
          <progress className="flex-grow-1" style={{ accentColor: 'var(--outside)' }} max={one.of} value={one.outside} />
          <span className="mono small text-nowrap">
            {say({ code: 'lotOutlook.of', numbers: { outside: one.outside, of: one.of } })}
          </span>
        </div>
      ))}
    </section>
  );
}
