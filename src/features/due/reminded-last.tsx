import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import '@/core/words/en/jobs';

interface Props {
  last: { at: Date; ok: boolean; detail: Record<string, unknown> } | null;
  byItself: boolean;
  zone: string;
}

/** Whether reminders go out by themselves, and when they last did. */
export function RemindedLast({ last, byItself, zone }: Props) {
  if (!byItself) return <span className="quiet small">{say({ code: 'remind.byHand' })}</span>;
  if (!last) return null;
  const at = dayTime(last.at, zone);
  if (!last.ok) return <span className="field-problem small">{say({ code: 'remind.fails', numbers: { at } })}</span>;
  const { mails = 0, instruments = 0 } = last.detail as { mails?: number; instruments?: number };
  const what = say({ code: 'jobs.reminded', numbers: { mails, instruments } });
  return (
    <span className="quiet small" data-testid="reminded-last">
      {say({ code: 'remind.lastBy', numbers: { at, what } })}
    </span>
  );
}
