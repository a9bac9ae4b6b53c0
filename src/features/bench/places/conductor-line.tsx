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
const AHEAD = 4;

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
    <section className="sheet mb-3" aria-label={say({ code: 'conductor.title' })} data-testid="conductor">
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        {now && (
          <>
            <span className="fs-4">
              <strong>
                {now.at < 1 ? say({ code: 'conductor.now' }) : say({ code: 'conductor.in', numbers: { time: time(now.at) } })}
              </strong>{' '}
              <What start={now} chain={of(now)} />
            </span>
            {why && (
              <span className="quiet">
                {say({ code: `conductor.why.${why.why}`, numbers: { seconds: why.seconds, time: time(why.seconds) } })}
              </span>
            )}
            <Button size="sm" variant="plain" onClick={() => setRefused([...refused, key(now)])}>
              {say({ code: 'conductor.refuse' })}
            </Button>
          </>
        )}
        <label className="ms-auto d-flex gap-2 align-items-center small">
          {say({ code: 'conductor.hands' })}
          <Form.Select
            size="sm"
            style={{ width: '4.5rem' }}
            value={hands}
            onChange={(event) => setHands(Number(event.target.value))}
          >
            {[1, 2, 3].map((one) => (
              <option key={one} value={one}>
                {one}
              </option>
            ))}
          </Form.Select>
        </label>
      </div>
      <ol className="list-unstyled d-flex flex-wrap gap-4 mb-1 mt-1">
        {later.map((start) => (
          <li key={`${start.place}${start.chore.id}`} className="small">
            {say({ code: 'conductor.in', numbers: { time: time(start.at) } })} <What start={start} chain={of(start)} />{' '}
            {start.chore === of(start).chores[0] && (
              <Button size="sm" variant="link" className="p-0" onClick={() => setPinned(key(start))}>
                {say({ code: 'conductor.first' })}
              </Button>
            )}
          </li>
        ))}
      </ol>
      <span className="quiet small">
        {saved > 30
          ? say({ code: 'conductor.saves', numbers: { time: time(conducted.ends), saved: time(saved) } })
          : say({ code: 'conductor.alone', numbers: { time: time(conducted.ends) } })}
        {(refused.length > 0 || pinned) && (
          <Button
            size="sm"
            variant="link"
            className="p-0 ms-2"
            onClick={() => {
              setRefused([]);
              setPinned(null);
            }}
          >
            {say({ code: 'conductor.again' })}
          </Button>
        )}
      </span>
    </section>
  );
}

const What = ({ start, chain }: { start: Start; chain: PlaceChain }) => (
  <Link className="row-link" href={`/runs/${chain.run}`}>
    {say({ code: 'conductor.place', numbers: { place: start.place } })}: {start.chore.label}{' '}
    <span className="quiet fw-normal">
      {chain.item} <span className="mono">{chain.serial}</span>
    </span>
  </Link>
);
