import { promiseFits } from '@/core/booking/promise-fits';
import { say } from '@/core/words/say';
import { day as dayText } from '@/ui/format';
import type { Promised } from './server/work-plan';
import '@/core/words/en/plan';

/** Said while promising: that a day is full, and the first that has room. Nothing where it fits. */
export function PromiseHint({
  promised,
  today,
  lines,
}: {
  promised: Promised;
  today: string;
  lines: readonly { title: string; promiseOn: string }[];
}) {
  const minutes = (title: string) => promised.minutesOf[title] ?? promised.usual;
  const days = [...new Set(lines.map((one) => one.promiseOn).filter(Boolean))].sort();
  const full = days.flatMap((day) => {
    const own = lines.filter((one) => one.promiseOn === day).reduce((sum, one) => sum + minutes(one.title), 0);
    const others = lines.flatMap(({ title, promiseOn }) =>
      promiseOn && promiseOn !== day ? [{ promiseOn, minutes: minutes(title) }] : [],
    );
    const answer = promiseFits({
      today,
      minutesADay: promised.minutesADay,
      promised: [...promised.promised, ...others],
      minutes: own,
      day,
    });
    return answer.fits ? [] : [{ day, own, first: answer.first }];
  });
  if (full.length === 0) return null;
  return (
    <div className="notice mb-3" role="status" data-testid="promise-hint">
      {full.map(({ day, own, first }) => (
        <div key={day}>
          {say({
            code: 'plan.full',
            numbers: { day: dayText(day), minutes: own, first: first ? dayText(first) : 'none' },
          })}
        </div>
      ))}
    </div>
  );
}
