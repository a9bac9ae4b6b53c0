import { say } from '@/core/words/say';
import { day as dayText } from '@/ui/format';
import { Link } from '@/ui/link';
import type { DayPlan } from './server/work-plan';
import '@/core/words/en/plan';

/** The plan of the next working days: first what won't fit, then who does what in which order, and why. */
export function PlanView({ plan: { plan, tickets, minutesADay } }: { plan: DayPlan }) {
  const of = (id: string) => tickets.find((one) => one.id === id)!;
  const wrong = [...plan.late, ...plan.beyond.map((id) => ({ id, promiseOn: of(id).promiseOn, day: null }))];
  return (
    <>
      {wrong.length > 0 && (
        <section className="sheet mb-3" data-testid="plan-late">
          <h2>{say({ code: 'plan.late' })}</h2>
          {wrong.map(({ id, promiseOn, day }) => (
            <p key={id} className="mb-1">
              <TicketLink ticket={of(id)} /> <span className="quiet">{of(id).customer}</span>{' '}
              <span className="verdict-warn">
                {say({
                  code: 'plan.comesTo',
                  numbers: { promised: promiseOn ? dayText(promiseOn) : 'none', day: day ? dayText(day) : 'none' },
                })}
              </span>
            </p>
          ))}
        </section>
      )}
      {plan.saved > 0 && <p className="quiet">{say({ code: 'plan.saved', numbers: { minutes: plan.saved } })}</p>}
      {plan.days
        .filter((one) => one.people.some((hand) => hand.work.length > 0))
        .map(({ day, people }) => (
          <section key={day} className="sheet mb-3" data-testid={`plan-${day}`}>
            <h2>{dayText(day)}</h2>
            <div className="row g-4">
              {people
                .filter((hand) => hand.work.length > 0)
                .map((hand) => (
                  <div key={hand.name} className={people.length > 1 ? 'col-lg-6' : 'col-12'}>
                    <div className="d-flex gap-3 align-items-center mb-2">
                      <strong>{hand.name}</strong>
                      <progress
                        max={minutesADay}
                        value={hand.minutes}
                        className="flex-grow-1"
                        style={{ maxWidth: '16rem', accentColor: 'var(--within)' }}
                      />
                      <span className="quiet">
                        {say({ code: 'plan.of', numbers: { minutes: Math.round(hand.minutes), all: Math.round(minutesADay) } })}
                      </span>
                    </div>
                    <ol className="mb-0">
                      {hand.work.map(({ id, minutes, sets }) => (
                        <li key={id} className={sets ? 'mt-2' : undefined}>
                          <TicketLink ticket={of(id)} /> <span className="quiet">{of(id).customer}</span>{' '}
                          <span className="small">
                            {say({ code: 'plan.minutes', numbers: { minutes } })}
                            {of(id).promiseOn &&
                              `, ${say({ code: 'plan.promised', numbers: { day: dayText(of(id).promiseOn) } })}`}
                            {of(id).place !== null && `, ${say({ code: 'plan.place', numbers: { place: of(id).place! } })}`}
                            {!sets && `, ${say({ code: 'plan.shares' })}`}
                          </span>
                        </li>
                      ))}
                    </ol>
                  </div>
                ))}
            </div>
          </section>
        ))}
      {tickets.length === 0 && <p className="sheet quiet">{say({ code: 'plan.nothing' })}</p>}
    </>
  );
}

const TicketLink = ({ ticket }: { ticket: DayPlan['tickets'][number] }) => (
  <Link className="row-link" href={ticket.runId ? `/runs/${ticket.runId}` : `/tickets/${ticket.id}`}>
    {ticket.item} <span className="mono">{ticket.serial}</span>
  </Link>
);
