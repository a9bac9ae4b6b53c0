import type { MailState } from '@/data/schema';
import { dayTime } from '@/ui/format';
import { Pager } from '@/ui/pager';
import { VerdictMark } from '@/ui/verdict-mark';
import type { VerdictState } from '@/core/record/judgement';
import { SendAgainButton } from './remind-button';
import type { outbox } from './server/outbox';

const LOOK: Record<MailState, [VerdictState, string]> = {
  queued: ['notMeasured', 'waiting'],
  sending: ['notMeasured', 'being sent'],
  sent: ['within', 'sent'],
  uncertain: ['cannotTell', 'uncertain'],
  refused: ['outside', 'refused'],
};

/** Every mail with what became of it. An uncertain one is never sent again by itself: a person decides. */
export function OutboxTable({
  box,
  zone,
  before,
}: {
  box: Awaited<ReturnType<typeof outbox>>;
  zone: string;
  before?: string | undefined;
}) {
  if (box.rows.length === 0)
    return (
      <div className="empty">
        No mail yet. “Send the reminders that are due” on the due list makes them, one for each customer.
      </div>
    );
  return (
    <div className="sheet">
      {box.rows.map(({ mail, customer }) => (
        <details key={mail.id} className="border-bottom py-2" data-testid="mail">
          <summary className="d-flex flex-wrap gap-3">
            <VerdictMark state={LOOK[mail.state][0]} word={LOOK[mail.state][1]} />
            <span className="quiet">{dayTime(mail.sentAt ?? mail.createdAt, zone)}</span>
            <strong>{customer}</strong>
            <span>{mail.recipient}</span>
            <span className="quiet">{mail.subject}</span>
          </summary>
          {mail.problem && (
            <p className="notice mt-2 mb-1">
              {mail.problem}{' '}
              {mail.nextTryAt && (
                <span className="quiet">
                  Tried {mail.attempts} {mail.attempts === 1 ? 'time' : 'times'}; again {dayTime(mail.nextTryAt, zone)}.
                </span>
              )}{' '}
              {(mail.state === 'uncertain' || mail.state === 'refused') && <SendAgainButton mailId={mail.id} />}
            </p>
          )}
          <pre className="mt-2 mb-1" style={{ whiteSpace: 'pre-wrap' }}>
            {mail.body}
          </pre>
          <div className="mono small quiet">{mail.messageId}</div>
        </details>
      ))}
      <Pager base="/due/outbox" query={{ before }} next={box.next} param="before" />
    </div>
  );
}
