'use client';
import { Link } from '@/ui/link';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { Countdown, Elapsed } from '@/ui/running-clock';
import { StatusMark } from '@/ui/status-mark';
import { useReady } from '@/ui/use-ready';
import { PlaceLive } from '../live/place-live';
import type { BoardTicket } from '../server/board';

/** One place of the bench: what stands there, its clock, what comes next. */
export function Place({
  place,
  ticket,
  may,
  onOpen,
  onClear,
  onPut,
}: {
  place: number;
  ticket: BoardTicket | undefined;
  may: boolean;
  onOpen: (ticket: BoardTicket) => void;
  onClear: (id: string) => void;
  onPut: (() => void) | undefined;
}) {
  const ready = useReady();
  const { setNodeRef: setDrop, isOver } = useDroppable({ id: `place-${place}`, disabled: Boolean(ticket) });
  const {
    setNodeRef: setDrag,
    listeners,
    transform,
  } = useDraggable({ id: ticket?.id ?? `empty-${place}`, disabled: !ticket || !may });
  if (!ticket) {
    return (
      <div ref={setDrop} className={`place free${isOver ? ' over' : ''}`} data-testid={`place-${place}`}>
        <span className="number">{place}</span>
        {onPut ? (
          <button type="button" className="btn btn-plain btn-sm mt-2" onClick={onPut}>
            Put it here
          </button>
        ) : (
          <span className="small">free</span>
        )}
      </div>
    );
  }
  const warm =
    ticket.placedAt && ticket.warmUpSeconds !== null
      ? new Date(Date.parse(ticket.placedAt) + ticket.warmUpSeconds * 1000).toISOString()
      : null;
  const clock = ticket.runId ? ticket.next?.waitsUntil : warm;
  return (
    <div
      ref={setDrag}
      className="place taken"
      data-testid={`place-${place}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 30 } : undefined}
    >
      <span className="number-tag" aria-hidden>
        {place}
      </span>
      <div className="small quiet mono" {...listeners} style={{ cursor: 'grab', touchAction: 'none' }}>
        {ticket.code}
      </div>
      <div className="fw-semibold pe-3">
        {ticket.maker} {ticket.model}
      </div>
      <div className="small">
        <span className="mono">{ticket.serial}</span> <span className="quiet">{ticket.customer}</span>
      </div>
      <StatusMark status={ticket.instrument.status} why={ticket.instrument.why} />
      <div className="mt-2 next">
        {ticket.runId ? ticket.next?.title : ticket.warmUpSeconds === null ? 'No procedure yet' : 'Warming up'}
      </div>
      {ticket.next?.gasSince ? (
        <div>
          <span className="gas-on-mark">
            GAS OPEN <Elapsed since={ticket.next.gasSince} />
          </span>
        </div>
      ) : clock ? (
        <Countdown until={clock} />
      ) : null}
      {ticket.line && <PlaceLive line={ticket.line} names={ticket.names} />}
      {may && (
        <div className="foot">
          {ticket.runId ? (
            <Link className="btn btn-primary btn-sm" href={`/runs/${ticket.runId}`}>
              Go on
            </Link>
          ) : (
            <button type="button" className="btn btn-primary btn-sm" disabled={!ready} onClick={() => onOpen(ticket)}>
              Start the run
            </button>
          )}
          {!ticket.runId && (
            <button type="button" className="btn btn-plain btn-sm" onClick={() => onClear(ticket.id)}>
              Back to the tray
            </button>
          )}
        </div>
      )}
    </div>
  );
}
