import { say } from '@/core/words/say';
import { MAIL_STATES, type MailState } from '@/core/stored/mail-state';
import { dayTime } from '@/ui/format';
import { FilterLinks } from '@/ui/list/filter-links';
import { ListSearch } from '@/ui/list/list-search';
import { queryOf, type ListAddress } from '@/ui/list/list-address';
import { SoftLinks } from '@/ui/list/soft-links';
import { Pager } from '@/ui/pager';
import { VerdictMark } from '@/ui/verdict-mark';
import type { VerdictState } from '@/core/record/judgement';
import { LetterButton } from './letters-view';
import { SendAgainButton } from './remind-button';
import type { outbox } from './server/outbox';
import '@/core/words/en/due';
import '@/core/words/en/lists';

const LOOK: Record<MailState, [VerdictState, string]> = {
  queued: ['notMeasured', 'waiting'],
  sending: ['notMeasured', 'being sent'],
  sent: ['within', 'sent'],
  uncertain: ['cannotTell', 'uncertain'],
  refused: ['outside', 'refused'],
  toPrint: ['cannotTell', 'to be printed'],
  printed: ['within', 'printed'],
};

/** Every mail with what became of it. An uncertain one is never sent again by itself: a person decides. */
export function OutboxTable({ list, box, zone }: { list: ListAddress; box: Awaited<ReturnType<typeof outbox>>; zone: string }) {
  const chosen = list.q ?? list.filters.state;
  return (
    <>
      <ListSearch list={list} label={say({ code: 'outbox.search' })} />
      <div className="mb-2">
        <SoftLinks>
          <FilterLinks
            list={list}
            name="state"
            label={say({ code: 'outbox.state' })}
            options={[['', say({ code: 'list.any' })], ...MAIL_STATES.map((state) => [state, LOOK[state][1]] as const)]}
          />
        </SoftLinks>
      </div>
      <div className="sheet">
        {box.rows.length === 0 && <div className="empty">{say({ code: chosen ? 'outbox.nothing' : 'outbox.none' })}</div>}
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
                {(mail.state === 'uncertain' || mail.state === 'refused') && <SendAgainButton mailId={mail.id} />}{' '}
                {mail.state === 'refused' && <LetterButton mailId={mail.id} printed={false} />}
              </p>
            )}
            <pre className="mt-2 mb-1" style={{ whiteSpace: 'pre-wrap' }}>
              {mail.body}
            </pre>
            {mail.state === 'printed' && <LetterButton mailId={mail.id} printed />}
            <div className="mono small quiet">{mail.messageId}</div>
          </details>
        ))}
        <Pager base="/due/outbox" query={{ ...queryOf(list), after: list.after }} next={box.next} param="after" />
      </div>
    </>
  );
}
