'use client';
import { useMemo, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { conduct } from '@/core/conductor/conduct';
import type { Start } from '@/core/conductor/chore';
import { whyNow } from '@/core/conductor/why-now';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { useKept } from '@/ui/use-kept';
import type { PlaceChain } from '../server/chains';
import '@/core/words/en/conductor';

/** How many things ahead are said. */
const AHEAD = 3;

const time = (seconds: number): string => {
  const whole = Math.round(seconds);
  return say({ code: 'conductor.minutes', numbers: { seconds: whole, minutes: whole < 90 ? 0 : Math.round(whole / 60) } });
};

/** What to do now, next and when over all places, and why. It presses nothing itself; what somebody refuses waits until the bench changes, what somebody wants first goes first. */
export function ConductorLine({ chains }: { chains: readonly PlaceChain[] }) {
  const [hands, setHands] = useKept('conductor/hands', 1);
  const [refused, setRefused] = useState<readonly string[]>([]);
  const [pinned, setPinned] = useState<string | null>(null);
  const plan = useMemo(() => {
    const first = (chain: PlaceChain) => `${chain.run}/${chain.chores[0]!.id}`;
    const pin = chains.find((one) => first(one) === pinned);
    const wanted = chains
      .filter((one) => !refused.includes(first(one)))
      // What is wanted first has the hand until it is done.
      .map((one) => (pin && one !== pin ? { ...one, ready: Math.max(one.ready, pin.ready + pin.chores[0]!.hand) } : one));
    const conducted = conduct({ chains: wanted, hands });
    return { conducted, why: whyNow(conducted, wanted), first };
  }, [chains, hands, refused, pinned]);
  const { conducted, why } = plan;
  if (chains.length < 2) return null;
  const [now, ...later] = conducted.starts.slice(0, AHEAD);
  const of = (start: Start) => chains.find((one) => one.place === start.place)!;
  const key = (start: Start) => `${of(start).run}/${start.chore.id}`;
  const saved = conducted.oneByOne - conducted.ends;
  return (
    <section
      className="sheet py-1 mb-2 d-flex flex-wrap column-gap-3 align-items-center"
      aria-label={say({ code: 'conductor.title' })}
      data-testid="conductor"
      title={say({ code: 'conductor.alone', numbers: { time: time(conducted.ends) } })}
    >
      {now && (
        <span>
          <strong>
            {now.at < 1 ? say({ code: 'conductor.now' }) : say({ code: 'conductor.in', numbers: { time: time(now.at) } })}
          </strong>{' '}
          <What start={now} chain={of(now)} />{' '}
          {why && (
            <span className="quiet small">
              ({say({ code: `conductor.why.${why.why}`, numbers: { seconds: why.seconds, time: time(why.seconds) } })})
            </span>
          )}{' '}
          <Button size="sm" variant="link" className="p-0" onClick={() => setRefused([...refused, key(now)])}>
            {say({ code: 'conductor.refuse' })}
          </Button>
        </span>
      )}
      {later.map((start) => (
        <span key={`${start.place}${start.chore.id}`} className="small">
          {say({ code: 'conductor.in', numbers: { time: time(start.at) } })} <What start={start} chain={of(start)} />{' '}
          {start.chore === of(start).chores[0] && (
            <Button size="sm" variant="link" className="p-0" onClick={() => setPinned(key(start))}>
              {say({ code: 'conductor.first' })}
            </Button>
          )}
        </span>
      ))}
      <span className="ms-auto d-flex gap-2 align-items-center small">
        {(refused.length > 0 || pinned) && (
          <Button
            size="sm"
            variant="link"
            className="p-0"
            onClick={() => {
              setRefused([]);
              setPinned(null);
            }}
          >
            {say({ code: 'conductor.again' })}
          </Button>
        )}
        {saved > 30 && <span className="quiet">{say({ code: 'conductor.saves', numbers: { saved: time(saved) } })}</span>}
        <Form.Select
          size="sm"
          style={{ width: '6.5rem' }}
          aria-label={say({ code: 'conductor.hands' })}
          value={hands}
          onChange={(event) => setHands(Number(event.target.value))}
        >
          {[1, 2, 3].map((one) => (
            <option key={one} value={one}>
              {say({ code: 'conductor.handsOf', numbers: { hands: one } })}
            </option>
          ))}
        </Form.Select>
      </span>
    </section>
  );
}

/** What there is to do, and at which place; which instrument it is stands on its card below. */
const What = ({ start, chain }: { start: Start; chain: PlaceChain }) => (
  <Link className="row-link" href={`/runs/${chain.run}`} title={`${chain.item} ${chain.serial}`}>
    {say({ code: 'conductor.place', numbers: { place: start.place } })}: {start.chore.label}
  </Link>
);
