import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import '@/core/words/en/setup';
import type { Step } from './server/first-week';

/** What a first genuine certificate needs, in the order in which it is best done. */
export function FirstWeek({ steps }: { steps: Step[] }) {
  const open = steps.filter((step) => !step.done).length;
  return (
    <div className="sheet">
      <p className="quiet">{say({ code: open ? 'week.intro' : 'week.all' })}</p>
      <table className="table mb-0">
        <tbody>
          {steps.map((step) => (
            <tr key={step.title} data-testid="week-step">
              <td className="text-nowrap" style={{ width: '7rem' }}>
                <VerdictMark
                  state={step.done ? 'within' : 'notMeasured'}
                  word={say({ code: step.done ? 'week.done' : 'week.open' })}
                />
              </td>
              <td>
                {step.done ? say({ code: step.title }) : <Link href={step.href}>{say({ code: step.title })}</Link>}
                {!step.done && <span className="d-block small quiet">{say({ code: step.why })}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
