import { say } from '@/core/words/say';
import { day } from '@/ui/format';
import { Link } from '@/ui/link';
import type { CheckAhead } from './server/read-charts';
import '@/core/words/en/control';

/** Equipment whose own check comes up. */
export function ChecksAhead({ checks, today }: { checks: readonly CheckAhead[]; today: string }) {
  return (
    <section className="sheet mb-3">
      <h2>{say({ code: 'control.checks' })}</h2>
      {checks.length === 0 && <p className="quiet mb-0">{say({ code: 'control.noChecks' })}</p>}
      {checks.map((one) => (
        <div key={one.id} className="d-flex gap-3">
          <span className="mono" style={{ width: '8rem' }}>
            {day(one.due)}
          </span>
          <Link href={`/shelf/${one.id}`}>
            {one.name} <span className="mono">{one.lot}</span>
          </Link>
          {one.due! < today && <span className="verdict-warn">{say({ code: 'control.overdue' })}</span>}
        </div>
      ))}
    </section>
  );
}
