'use client';
import { useMemo, useState } from 'react';
import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { conduct } from '@/core/conductor/conduct';
import type { Start } from '@/core/conductor/chore';
import { gasOpenFor, inTurn } from '@/core/conductor/gas-open';
import { whyNow } from '@/core/conductor/why-now';
import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { useKept } from '@/ui/use-kept';
import type { PlaceChain } from '../server/chains';
import '@/core/words/en/conductor';

/** How many things ahead are said. */
const AHEAD = 3;
const NOW = 'conductor-now';
/** A press is no drag before the hand moved so far, px. */
const MOVED = 6;

const time = (seconds: number): string => {
  const whole = Math.round(seconds);
  return say({ code: 'conductor.minutes', numbers: { seconds: whole, minutes: whole < 90 ? 0 : Math.round(whole / 60) } });
};
const first = (chain: PlaceChain) => `${chain.run}/${chain.chores[0]!.id}`;

/** What to do now, next and when over all places, and why. It presses nothing itself; what somebody refuses waits until its own place goes on, whatever becomes of the others; what somebody wants first (dragged there, or by its button) goes first. */
export function ConductorLine({ chains, go }: { chains: readonly PlaceChain[]; go?: (place: number) => void }) {
  const [hands, setHands] = useKept('conductor/hands', 1);
  const [refused, setRefused] = useState<readonly string[]>([]);
  const [pinned, setPinned] = useState<string | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: MOVED } }));
  const { conducted, why, gas } = useMemo(() => planOf(chains, { hands, refused, pinned }), [chains, hands, refused, pinned]);
  if (chains.length < 2) return null;
  const [now, ...later] = conducted.starts.slice(0, AHEAD);
  const of = (start: Start) => chains.find((one) => one.place === start.place)!;
  const key = (start: Start) => `${of(start).run}/${start.chore.id}`;
  const saved = conducted.oneByOne - conducted.ends;
  const said = [...refused, pinned].some((id) => chains.some((one) => first(one) === id));
  const drop = ({ active, over }: DragEndEvent) => {
    if (over?.id === NOW) setPinned(String(active.id));
  };
  return (
    <DndContext sensors={sensors} onDragEnd={drop} id="conductor">
      <section
        className="sheet py-1 mb-2 d-flex flex-wrap column-gap-3 align-items-center"
        aria-label={say({ code: 'conductor.title' })}
        data-testid="conductor"
        title={say({ code: 'conductor.alone', numbers: { time: time(conducted.ends) } })}
      >
        {now && (
          <Now>
            <strong>
              {now.at < 1 ? say({ code: 'conductor.now' }) : say({ code: 'conductor.in', numbers: { time: time(now.at) } })}
            </strong>{' '}
            <What start={now} chain={of(now)} go={go} /> <Together start={now} chains={chains} />
            {why && (
              <span className="quiet small">
                ({say({ code: `conductor.why.${why.why}`, numbers: { seconds: why.seconds, time: time(why.seconds) } })})
              </span>
            )}{' '}
            <Button size="sm" variant="link" className="p-0" onClick={() => setRefused([...refused, key(now)])}>
              {say({ code: 'conductor.refuse' })}
            </Button>
          </Now>
        )}
        {later.map((start) => {
          const movable = start.chore === of(start).chores[0];
          const text = (
            <>
              {say({ code: 'conductor.in', numbers: { time: time(start.at) } })} <What start={start} chain={of(start)} go={go} />
            </>
          );
          return movable ? (
            <Movable key={key(start)} id={key(start)}>
              {text}{' '}
              <Button size="sm" variant="link" className="p-0" onClick={() => setPinned(key(start))}>
                {say({ code: 'conductor.first' })}
              </Button>
            </Movable>
          ) : (
            <span key={key(start)} className="small">
              {text}
            </span>
          );
        })}
        <span className="ms-auto d-flex gap-2 align-items-center small">
          {said && (
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
          {gas && <span className="quiet">{say({ code: 'conductor.gas', numbers: gas })}</span>}
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
    </DndContext>
  );
}

/** The plan as somebody wants it: what is refused left out, what is wanted first with the hand until it is done. */
function planOf(
  chains: readonly PlaceChain[],
  { hands, refused, pinned }: { hands: number; refused: readonly string[]; pinned: string | null },
) {
  const pin = chains.find((one) => first(one) === pinned);
  const wanted = chains
    .filter((one) => !refused.includes(first(one)))
    .map((one) => (pin && one !== pin ? { ...one, ready: Math.max(one.ready, pin.ready + pin.chores[0]!.hand) } : one));
  const conducted = conduct({ chains: wanted, hands });
  const litres = (starts: readonly Start[]) =>
    [...gasOpenFor(starts, wanted)].reduce(
      (sum, [place, seconds]) => sum + (seconds / 60) * wanted.find((one) => one.place === place)!.flow,
      0,
    );
  const [own, alone] = [litres(conducted.starts), litres(inTurn(wanted))];
  return { conducted, why: whyNow(conducted, wanted), gas: own > 0 ? { own: own.toFixed(1), alone: alone.toFixed(1) } : null };
}

function Now({ children }: { children: React.ReactNode }) {
  const { setNodeRef, isOver } = useDroppable({ id: NOW });
  return (
    <span
      ref={setNodeRef}
      className={isOver ? 'best-match px-2' : undefined}
      title={say({ code: 'conductor.drop' })}
      data-testid="conductor-now"
    >
      {children}
    </span>
  );
}

function Movable({ id, children }: { id: string; children: React.ReactNode }) {
  const { setNodeRef, listeners, transform } = useDraggable({ id });
  const style = transform
    ? { transform: `translate(${transform.x}px, ${transform.y}px)`, position: 'relative' as const, zIndex: 5 }
    : undefined;
  return (
    <span
      ref={setNodeRef}
      className="small"
      style={{ cursor: 'grab', ...style }}
      {...listeners}
      // The link in it is not what is dragged.
      onDragStart={(event) => event.preventDefault()}
      data-testid="conductor-later"
    >
      {children}
    </span>
  );
}

/** Whoever waits for the same liquid is dipped at once: it is said, and saves a beaker. */
function Together({ start, chains }: { start: Start; chains: readonly PlaceChain[] }) {
  const { shares } = start.chore;
  const others = shares ? chains.filter((one) => one.place !== start.place && one.chores[0]?.shares === shares) : [];
  if (others.length === 0) return null;
  return (
    <span className="small">
      {say({ code: 'conductor.together', numbers: { places: others.map((one) => one.place).join(', ') } })}{' '}
    </span>
  );
}

/** What there is to do, and at which place; which instrument it is stands on its card below. */
function What({ start, chain, go }: { start: Start; chain: PlaceChain; go: ((place: number) => void) | undefined }) {
  const text = `${say({ code: 'conductor.place', numbers: { place: start.place } })}: ${start.chore.label}`;
  if (go)
    return (
      <Button variant="link" className="p-0 align-baseline" onClick={() => go(start.place)}>
        {text}
      </Button>
    );
  return (
    <Link className="row-link" href={chain.href} title={`${chain.item} ${chain.serial}`}>
      {text}
    </Link>
  );
}
