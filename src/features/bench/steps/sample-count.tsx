'use client';
import { say } from '@/core/words/say';
import { useNow } from '@/ui/running-clock';

/** Counts the seconds of a breath's gas and says when to press. */
export function SampleCount({ since, pressAt, of }: { since: string; pressAt: number; of: number }) {
  const now = useNow(100);
  const second = now === null ? 0 : Math.floor((now - Date.parse(since)) / 1000) + 1;
  const past = second > of;
  return (
    <div className="sample-count" role="timer" data-testid="sample-count">
      <span aria-hidden>
        {Array.from({ length: of }, (_unused, index) => (
          <span key={index} className={`beat${index + 1 === pressAt ? ' press' : ''}${index + 1 <= second ? ' gone' : ''}`}>
            {index + 1}
          </span>
        ))}
      </span>
      <strong aria-live="assertive">
        {past
          ? say({ code: 'sample.past' })
          : second === pressAt
            ? say({ code: 'sample.press' })
            : say({ code: 'sample.wait', numbers: { pressAt } })}
      </strong>
    </div>
  );
}
