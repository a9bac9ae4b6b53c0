'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { day } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import { WhyForm } from '@/ui/why-form';
import { endSpareAction } from './actions';
import { SpareForm } from './spare-form';
import type { Spare } from './server/spares';
import '@/core/words/en/stock';

/** From so many days before its shelf life ends a spare is pointed at. */
const SOON_DAYS = 30;

/** What is kept to be fitted: made, corrected, written off. */
export function SpareTable({ spares, today, mayKeep }: { spares: readonly Spare[]; today: string; mayKeep: boolean }) {
  const [changing, setChanging] = useState<Spare | null>(null);
  return (
    <section className="sheet" data-testid="spares">
      <h2>{say({ code: 'spare.title' })}</h2>
      {spares.length === 0 ? (
        <p className="quiet">{say({ code: 'spare.none' })}</p>
      ) : (
        <table className="table tight-acts">
          <thead>
            <tr>
              <th>{say({ code: 'spare.kind' })}</th>
              <th>{say({ code: 'spare.name' })}</th>
              <th>{say({ code: 'spare.serial' })}</th>
              <th>{say({ code: 'spare.shelfUntil' })}</th>
              <th>{say({ code: 'spare.place' })}</th>
              <th className="text-end">{say({ code: 'spare.quantity' })}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {spares.map((one) => (
              <tr key={one.id} data-testid="spare">
                <td className="quiet">{say({ code: `spare.kind.${one.kind}` })}</td>
                <td>
                  <span className={one.endedAt ? 'struck' : ''}>{one.name}</span>{' '}
                  <span className="mono small">{one.partNumber}</span>
                  {one.endedAt && (
                    <span className="d-block small quiet">
                      {say({ code: 'spare.wasEnded', numbers: { by: one.endedBy ?? '', why: one.endedWhy ?? '' } })}
                    </span>
                  )}
                </td>
                <td className="mono">{one.serial}</td>
                <td className="text-nowrap">
                  {one.endedAt ? one.shelfUntil && day(one.shelfUntil) : <Keeps spare={one} today={today} />}
                </td>
                <td>{one.place}</td>
                <td className="text-end">
                  <span className="mono">{one.quantity}</span>
                  {one.quantity === 0 && !one.serial && !one.endedAt && (
                    <span className="d-block small">
                      <VerdictMark state="cannotTell" word={say({ code: 'spare.gone' })} />
                    </span>
                  )}
                </td>
                <td>
                  {mayKeep && !one.endedAt && (
                    <>
                      <Button size="sm" variant="plain" onClick={() => setChanging(one)}>
                        {say({ code: 'spare.correct' })}
                      </Button>
                      <WhyForm
                        testId={`end-spare-${one.id}`}
                        title={say({ code: 'spare.end' })}
                        label={say({ code: 'spare.why' })}
                        example={say({ code: 'spare.whyExample' })}
                        act={async (why) => saidOfWhy(await attempt(() => endSpareAction({ itemId: one.id, why })))}
                      />
                    </>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {mayKeep && <SpareForm key={changing?.id ?? 'new'} spare={changing} done={() => setChanging(null)} />}
    </section>
  );
}

/** Until when it may be fitted, with what presses. */
function Keeps({ spare: { shelfUntil }, today }: { spare: Spare; today: string }) {
  const left = shelfUntil ? differenceInCalendarDays(parseISO(shelfUntil), parseISO(today)) : null;
  return (
    <>
      {shelfUntil && day(shelfUntil)}
      {left !== null && left < 0 && (
        <span className="d-block small">
          <VerdictMark state="outside" word={say({ code: 'spare.expired' })} />
        </span>
      )}
      {left !== null && left >= 0 && left <= SOON_DAYS && (
        <span className="d-block small fw-semibold">{say({ code: 'spare.soon', numbers: { days: left } })}</span>
      )}
    </>
  );
}
