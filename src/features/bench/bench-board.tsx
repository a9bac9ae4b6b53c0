'use client';
import { useEffect, useOptimistic, useState, startTransition } from 'react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { DndContext, PointerSensor, useDraggable, useDroppable, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { attempt } from '@/platform/client/result';
import { day } from '@/ui/format';
import { KeyStrip } from '@/ui/key-strip';
import { Countdown, Elapsed } from '@/ui/running-clock';
import { useKeys } from '@/ui/use-keys';
import { placeTicketAction, startRunAction } from './actions';
import type { Board, BoardTicket } from './server/board';
import { useRunChanges } from './use-run-changes';

interface Props { board: Board; today: string; mayBench: boolean; outTray: React.ReactNode }

/** The bench: in-tray, places, out-tray. A ticket moves by drag or by key; each place shows its clock and what comes next. */
export function BenchBoard({ board, today, mayBench, outTray }: Props) {
  const router = useRouter();
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState('');
  const [tickets, moveNow] = useOptimistic(board.tickets, (now: BoardTicket[], move: { id: string; place: number | null }) => now.map((one) => (one.id === move.id ? { ...one, place: move.place, status: move.place === null ? ('inTray' as const) : ('onBench' as const), placedAt: move.place === null ? null : (one.placedAt ?? new Date().toISOString()) } : one)));
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  useRunChanges(() => router.refresh());
  // Others move tickets too: look again when one comes back to this window.
  useEffect(() => { const again = () => router.refresh(); window.addEventListener('focus', again); return () => window.removeEventListener('focus', again); }, [router]);

  const move = (ticketId: string, place: number | null) => startTransition(async () => {
    setProblem('');
    moveNow({ id: ticketId, place });
    const result = await attempt(() => placeTicketAction({ ticketId, place }));
    if (result.ok) setChosen(null); else setProblem(result.message);
    router.refresh();
  });
  const open = async (ticket: BoardTicket) => {
    if (ticket.runId) return router.push(`/runs/${ticket.runId}`);
    const result = await attempt(() => startRunAction({ ticketId: ticket.id }));
    if (result.ok) router.push(`/runs/${result.value.run}`); else setProblem(result.message);
  };
  const at = (place: number) => tickets.find((ticket) => ticket.place === place);
  const inTray = tickets.filter((ticket) => ticket.status === 'inTray');
  const places = Array.from({ length: board.places }, (_one, index) => index + 1);
  const step = (by: number) => { const index = inTray.findIndex((ticket) => ticket.id === chosen); const next = inTray[Math.max(0, Math.min(inTray.length - 1, index + by))]; if (next) setChosen(next.id); };
  const numbers = Object.fromEntries(places.slice(0, 9).map((place) => [String(place), () => { const here = at(place); if (chosen) move(chosen, place); else if (here) void open(here); }]));
  useKeys(mayBench ? { ...numbers, ArrowDown: () => step(1), ArrowUp: () => step(-1), Escape: () => setChosen(null) } : {});

  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over) return;
    const place = over.id === 'in-tray' ? null : Number(String(over.id).replace('place-', ''));
    const ticket = tickets.find((one) => one.id === active.id);
    if (ticket && ticket.place !== place) move(ticket.id, place);
  };
  return (
    <DndContext sensors={sensors} onDragEnd={dropped} id="bench">
      {problem && <p className="notice bad" role="alert">{problem}</p>}
      <div className="workroom">
        <InTray tickets={inTray} chosen={chosen} today={today} onChoose={(id) => setChosen(id === chosen ? null : id)} may={mayBench} />
        <section className="bench-column" aria-label="Bench"><div className="tray"><h2>On the bench <span className="small-caps">{tickets.filter((one) => one.place !== null).length} of {board.places} places</span></h2></div>
          <div className="benchtop">{places.map((place) => <Place key={place} place={place} ticket={at(place)} may={mayBench} onOpen={open} onClear={(id) => move(id, null)} onPut={chosen ? () => move(chosen, place) : undefined} />)}</div>
        </section>
        {outTray}
      </div>
      <KeyStrip keys={mayBench ? [['↑ ↓', 'choose in the in-tray'], ['1–' + Math.min(9, board.places), chosen ? 'put it on that place' : 'go to the run there'], ['Esc', 'let go'], ['/', 'scan']] : [['/', 'scan']]} />
    </DndContext>
  );
}

function InTray({ tickets, chosen, today, onChoose, may }: { tickets: BoardTicket[]; chosen: string | null; today: string; onChoose: (id: string) => void; may: boolean }) {
  const { setNodeRef, isOver } = useDroppable({ id: 'in-tray' });
  return (
    <section className="tray" aria-label="In-tray">
      <h2>In-tray <span className="small-caps">{tickets.length}</span></h2>
      <div ref={setNodeRef} className={`tray-stack${isOver ? ' over' : ''}`}>
        {tickets.map((ticket) => <TicketSlipCard key={ticket.id} ticket={ticket} chosen={ticket.id === chosen} today={today} onChoose={() => onChoose(ticket.id)} may={may} />)}
        {tickets.length === 0 && <div className="empty">Nothing waits. <Link href="/receive">Receive</Link> an instrument and its ticket lies here, sorted by promise.</div>}
      </div>
    </section>
  );
}

function TicketSlipCard({ ticket, chosen, today, onChoose, may }: { ticket: BoardTicket; chosen: boolean; today: string; onChoose: () => void; may: boolean }) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: ticket.id, disabled: !may });
  const late = ticket.promiseOn !== null && ticket.promiseOn <= today;
  return (
    <div ref={setNodeRef} {...listeners} className={`ticket${isDragging ? ' lifted' : ''}${chosen ? ' chosen' : ''}`} data-testid={`ticket-${ticket.code}`} onClick={onChoose} style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 30 } : undefined}>
      <div className="top"><span className="mono">{ticket.code}</span><span className={late ? 'due-soon' : ''}>{ticket.promiseOn ? `by ${day(ticket.promiseOn)}` : 'no promise'}</span></div>
      <button type="button" className="name" aria-pressed={chosen} onClick={(event) => { event.stopPropagation(); onChoose(); }}>{ticket.maker} {ticket.model}</button>
      <div className="d-flex justify-content-between gap-2"><span className="mono">{ticket.serial}</span><Link href={`/tickets/${ticket.id}`} className="small" onClick={(event) => event.stopPropagation()} onPointerDown={(event) => event.stopPropagation()}>slip</Link></div>
      <div className="quiet small">{ticket.customer}{ticket.wish !== 'Calibrate' ? ` · ${ticket.wish}` : ''}</div>
      {ticket.sentBack && <div className="verdict cannotTell small">sent back by the signatory</div>}
    </div>
  );
}

function Place({ place, ticket, may, onOpen, onClear, onPut }: { place: number; ticket: BoardTicket | undefined; may: boolean; onOpen: (ticket: BoardTicket) => void; onClear: (id: string) => void; onPut: (() => void) | undefined }) {
  const { setNodeRef: setDrop, isOver } = useDroppable({ id: `place-${place}`, disabled: Boolean(ticket) });
  const { setNodeRef: setDrag, listeners, transform } = useDraggable({ id: ticket?.id ?? `empty-${place}`, disabled: !ticket || !may });
  if (!ticket) {
    return (
      <div ref={setDrop} className={`place free${isOver ? ' over' : ''}`} data-testid={`place-${place}`}>
        <span className="number">{place}</span>{onPut ? <button type="button" className="btn btn-plain btn-sm mt-2" onClick={onPut}>Put it here</button> : <span className="small">free</span>}
      </div>
    );
  }
  const warm = ticket.placedAt && ticket.warmUpSeconds !== null ? new Date(Date.parse(ticket.placedAt) + ticket.warmUpSeconds * 1000).toISOString() : null;
  const clock = ticket.runId ? ticket.next?.waitsUntil : warm;
  return (
    <div ref={setDrag} className="place taken" data-testid={`place-${place}`} style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 30 } : undefined}>
      <span className="number-tag" aria-hidden>{place}</span>
      <div className="small quiet mono" {...listeners} style={{ cursor: 'grab', touchAction: 'none' }}>{ticket.code}</div>
      <div className="fw-semibold pe-3">{ticket.maker} {ticket.model}</div>
      <div className="small"><span className="mono">{ticket.serial}</span> <span className="quiet">{ticket.customer}</span></div>
      <div className="mt-2 next">{ticket.runId ? ticket.next?.title : ticket.warmUpSeconds === null ? 'No procedure yet' : 'Warming up'}</div>
      {ticket.next?.gasSince ? <div><span className="gas-on-mark">GAS OPEN <Elapsed since={ticket.next.gasSince} /></span></div> : clock ? <Countdown until={clock} /> : null}
      {may && <div className="foot"><button type="button" className="btn btn-primary btn-sm" onClick={() => onOpen(ticket)}>{ticket.runId ? 'Go on' : 'Start the run'}</button>{!ticket.runId && <button type="button" className="btn btn-plain btn-sm" onClick={() => onClear(ticket.id)}>Back to the tray</button>}</div>}
    </div>
  );
}
