'use client';
import { useEffect, useOptimistic, useState, startTransition } from 'react';
import { Link } from '@/ui/link';
import { useRouter } from 'next/navigation';
import { DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { KeyStrip } from '@/ui/key-strip';
import { useAwake } from '@/ui/use-awake';
import { useGentleRefresh } from '@/ui/use-gentle-refresh';
import { useSheetAhead } from '../fetch-ahead';
import { usePlaceKeys } from '../use-place-keys';
import { useKeys } from '@/ui/use-keys';
import { placeTicketAction, startRunAction } from '../actions';
import type { PlaceChain } from '../server/chains';
import { ConductorLine } from './conductor-line';
import { InTray } from './in-tray';
import { Place } from './place';
import type { Board, BoardTicket } from '../server/board';
import { useOthers } from './use-others';
import { WaitCaller } from './wait-caller';
import '@/core/words/en/blank-sheet';
import '@/core/words/en/house';

interface Props {
  board: Board;
  today: string;
  mayBench: boolean;
  /** What is left to do at each place. */
  chains: readonly PlaceChain[];
  outTray: React.ReactNode;
}

/** The bench: in-tray, places, out-tray. A ticket moves by drag or by key; each place shows its clock and what comes next. */
export function BenchBoard({ board, today, mayBench, chains, outTray }: Props) {
  useAwake(mayBench);
  useSheetAhead();
  const router = useRouter();
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const look = useGentleRefresh();
  const heard = useOthers(board.tickets, look);
  const [tickets, moveNow] = useOptimistic(heard, (now: BoardTicket[], move: { id: string; place: number | null }) =>
    now.map((one) =>
      one.id === move.id
        ? {
            ...one,
            place: move.place,
            status: move.place === null ? ('inTray' as const) : ('onBench' as const),
            placedAt: move.place === null ? null : (one.placedAt ?? new Date().toISOString()),
          }
        : one,
    ),
  );
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  // Others move tickets too: look again when one comes back to this window.
  useEffect(() => {
    window.addEventListener('focus', look);
    return () => window.removeEventListener('focus', look);
  }, [look]);

  const move = (ticketId: string, place: number | null) =>
    startTransition(async () => {
      setProblem('');
      moveNow({ id: ticketId, place });
      const result = await attempt(() => placeTicketAction({ ticketId, place }));
      if (result.ok) setChosen(null);
      else setProblem(result.message);
      router.refresh();
    });
  const open = async (ticket: BoardTicket) => {
    if (ticket.runId) return router.push(`/runs/${ticket.runId}`);
    const result = await attempt(() => startRunAction({ ticketId: ticket.id }));
    if (result.ok) router.push(`/runs/${result.value.run}`);
    else setProblem(result.message);
  };
  const at = (place: number) => tickets.find((ticket) => ticket.place === place);
  const inTray = tickets.filter((ticket) => ticket.status === 'inTray');
  const places = Array.from({ length: board.places }, (_one, index) => index + 1);
  const from = board.second?.from ?? Infinity;
  const rooms = [
    { name: null, places: places.filter((place) => place < from) },
    ...(board.second ? [{ name: board.second.name, places: places.filter((place) => place >= from) }] : []),
  ];
  const step = (by: number) => {
    const index = inTray.findIndex((ticket) => ticket.id === chosen);
    const next = inTray[Math.max(0, Math.min(inTray.length - 1, index + by))];
    if (next) setChosen(next.id);
  };
  const numbers = usePlaceKeys(places, (place) => {
    const here = at(place);
    if (chosen) move(chosen, place);
    else if (here) void open(here);
  });
  useKeys(mayBench ? { ...numbers, ArrowDown: () => step(1), ArrowUp: () => step(-1), Escape: () => setChosen(null) } : {});

  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over) return;
    const place = over.id === 'in-tray' ? null : Number(String(over.id).replace('place-', ''));
    const ticket = tickets.find((one) => one.id === active.id);
    if (ticket && ticket.place !== place) move(ticket.id, place);
  };
  return (
    <DndContext sensors={sensors} onDragEnd={dropped} id="bench">
      {problem && (
        <p className="notice bad" role="alert">
          {problem}
        </p>
      )}
      <ConductorLine chains={chains} />
      <div className="workroom">
        <InTray
          tickets={inTray}
          chosen={chosen}
          today={today}
          onChoose={(id) => setChosen(id === chosen ? null : id)}
          may={mayBench}
        />
        <section className="bench-column" aria-label="Bench">
          <div className="tray">
            <h2>
              On the bench{' '}
              <span className="small-caps">
                {tickets.filter((one) => one.place !== null).length} of {board.places} places
              </span>
              {mayBench && (
                <Link className="small fw-normal float-end" href="/paper">
                  {say({ code: 'blank.list' })}
                </Link>
              )}
            </h2>
          </div>
          <WaitCaller places={tickets.filter((one) => one.place !== null)} />
          {rooms.map(({ name, places }) => (
            <div key={name ?? ''}>
              {name && <h3 className="small-caps mt-2 mb-1">{say({ code: 'bench.elsewhere', numbers: { place: name } })}</h3>}
              <div className="benchtop">
                {places.map((place) => (
                  <Place
                    key={place}
                    place={place}
                    ticket={at(place)}
                    may={mayBench}
                    onOpen={open}
                    onClear={(id) => move(id, null)}
                    onPut={chosen ? () => move(chosen, place) : undefined}
                  />
                ))}
              </div>
            </div>
          ))}
        </section>
        {outTray}
      </div>
      <KeyStrip
        keys={
          mayBench
            ? [
                ['↑ ↓', 'choose in the in-tray'],
                ['1–' + Math.min(9, board.places), chosen ? 'put it on that place' : 'go to the run there'],
                ['Esc', 'let go'],
                ['/', 'scan'],
              ]
            : [['/', 'scan']]
        }
      />
    </DndContext>
  );
}
